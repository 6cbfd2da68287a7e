import { usualLevel } from '../audio/level.ts'
import type { Look } from './schema.ts'

/** The look a new box starts with: warm headline on a dark outline, readable over light and dark pictures alike. */
export const lanternLook: Look = {
  name: 'Lantern',
  palette: { headline: '#FFF4DC', body: '#F3E3C3', accent: '#FFC247', outline: '#3A1D0C', plate: '#24140B' },
  type: { display: { family: 'Fraunces', weight: 700 }, text: { family: 'Instrument Sans', weight: 600 } },
  soundLevel: usualLevel,
  soundTrimDb: 0,
}
