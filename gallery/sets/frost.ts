import { paletteFrom } from '../../core/look/paletteFrom.ts'
import { frostPictures, ice } from '../artwork/frost.ts'
import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, message, on, particles, picture, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** Winter: it snows for everybody. */
export const frost: GallerySet = {
  id: 'first-frost',
  name: 'First frost',
  about: 'Winter: handwriting on a frosted pane, and snow that falls for everybody.',
  canvas: wide,
  look: lookOf(
    'First frost',
    paletteFrom(ice, '#F2A0AE'),
    ['Caveat', 700],
    ['Instrument Sans', 600],
    { enter: phase('focus', 900), words: phase('focus', 600), leave: phase('fade', 500) },
    { shadow: true, speedRatio: 0.9 },
  ),
  words: {
    follow: { headline: '{name}', second: 'comes in from the cold' },
    tip: { headline: '{name}', second: '{amount} for warm mittens' },
    raid: { headline: '{name}', second: 'and {party} through the snow' },
  },
  pictures: frostPictures,
  sounds: galleryVoices.frost,
  sparks: ['sparks'],
  compose: (seat) =>
    score(
      seat.isGreat ? 9500 : 7500,
      particles(wide, 'downfall', {
        sprites: [
          { from: 'form', form: 'dot', ink: { role: 'headline' } },
          { from: 'form', form: 'star', ink: { role: 'headline' } },
        ],
        sizePx: { from: 8, to: 26 },
        overMs: 2600,
        lifeMs: { from: 2800, to: 4700 },
        speedPxPerS: { from: 160, to: 340 },
        strength: seat.isGreat ? 1.6 : 0.9,
      }),
      shape(wide, 'pane', 1240, 340, on(960, 740), {
        form: 'rectangle',
        cornerPx: 40,
        fill: { role: 'plate' },
        opacity: 0.62,
        stroke: { widthPx: 6, ink: { role: 'accent' } },
        motion: { entrance: phase('fade', 600), exit: { role: 'leave' } },
      }),
      picture(wide, seat, seat.isGreat ? 460 : 380, on(960, 390), {
        colour: { mode: 'recolour', from: ice, to: { role: 'accent' } },
      }),
      headline(wide, seat, 148, on(960, 695), { maxWidthPx: 1140 }, at('picture.entered')),
      second(wide, seat, 54, on(960, 815), { maxWidthPx: 1140 }, at('headline.start', 400)),
      message(wide, seat, 44, on(960, 930, 'top'), { maxWidthPx: 1600, maxLines: 2 }),
      sound(seat),
    ),
  dials: [
    {
      id: 'snow',
      kind: 'number',
      label: 'How much it snows',
      about: '',
      group: 'Motion',
      initial: 140,
      least: 20,
      most: 400,
      unit: 'flakes',
      bindings: [{ path: 'alerts.*.variations.*.parts.sparks.count', transform: { as: 'step', size: 1 } }],
    },
  ],
}
