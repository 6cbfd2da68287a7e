import { usualLevel } from '../audio/level.ts'
import { asDesigned } from './resolveStyle.ts'
import type { Look, TextShadow } from './schema.ts'

/** A shadow to begin with: a little down, soft, in the colour of outlines. */
export const plainShadow: TextShadow = { xPx: 0, yPx: 4, blurPx: 6, ink: { role: 'outline' } }

/** The look a new box starts with: warm headline on a dark outline, readable over light and dark pictures alike. */
export const lanternLook: Look = {
  name: 'Lantern',
  palette: {
    headline: '#FFF4DC',
    body: '#F3E3C3',
    accent: '#FFC247',
    outline: '#3A1D0C',
    plate: '#24140B',
    glow: '#FFC247',
  },
  type: {
    display: { family: 'Fraunces', weight: 700, ...asDesigned },
    text: { family: 'Instrument Sans', weight: 600, ...asDesigned },
  },
  motion: {
    enter: { motion: 'spring', ms: 900, easing: null },
    words: { motion: 'rise', ms: 450, easing: null },
    leave: { motion: 'fade', ms: 300, easing: null },
  },
  speedRatio: 1,
  soundLevel: usualLevel,
  soundTrimDb: 0,
  sounds: { arrival: null, support: null, crowd: null },
}
