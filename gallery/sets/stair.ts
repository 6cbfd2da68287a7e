import { paletteFrom } from '../../core/look/paletteFrom.ts'
import { lamp, stairPictures } from '../artwork/stair.ts'
import { lookOf, phase, tall } from '../looks.ts'
import { at, headline, message, on, picture, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** For tall canvases: a picture above, a band with the name across, the rest below. */
export const stair: GallerySet = {
  id: 'stairwell',
  name: 'Stairwell',
  about: 'Vertical: made for tall pictures on phones. A band with the name right across, clear of hands and faces.',
  canvas: tall,
  look: lookOf(
    'Stairwell',
    paletteFrom(lamp, '#FFE2A0'),
    ['Syne', 700],
    ['Instrument Sans', 600],
    { enter: phase('slideTop', 800), words: phase('rise', 450), leave: phase('fade', 300) },
    { outlineRatio: 0.8 },
  ),
  words: {
    follow: { headline: '{name}', second: 'comes up the stairs' },
    raid: { headline: '{name}', second: 'opens the door to {party}' },
  },
  pictures: stairPictures,
  sounds: galleryVoices.stair,
  sparks: [],
  compose: (seat) =>
    score(
      seat.isGreat ? 8500 : 6500,
      shape(tall, 'band', 1080, seat.isGreat ? 330 : 270, on(540, 1010), {
        form: 'rectangle',
        cornerPx: 0,
        fill: { role: 'plate' },
        opacity: 0.9,
        motion: { entrance: phase('unfold', 450), exit: { role: 'leave' } },
      }),
      shape(
        tall,
        'upper',
        1080,
        8,
        on(540, seat.isGreat ? 845 : 875),
        {
          form: 'rectangle',
          cornerPx: 0,
          fill: { role: 'accent' },
          motion: { entrance: phase('wipe', 500), exit: { role: 'leave' } },
        },
        at('band.start', 150),
      ),
      shape(
        tall,
        'lower',
        1080,
        8,
        on(540, seat.isGreat ? 1175 : 1145),
        {
          form: 'rectangle',
          cornerPx: 0,
          fill: { role: 'accent' },
          motion: { entrance: phase('wipe', 500), exit: { role: 'leave' } },
        },
        at('band.start', 150),
      ),
      picture(
        tall,
        seat,
        seat.isGreat ? 620 : 520,
        on(540, 530),
        { colour: { mode: 'recolour', from: lamp, to: { role: 'accent' } } },
        at('band.entered', -200),
      ),
      headline(tall, seat, 104, on(540, 970), { maxWidthPx: 980 }, at('band.entered')),
      second(tall, seat, 54, on(540, 1080), { maxWidthPx: 980 }, at('headline.entered', -200)),
      message(tall, seat, 46, on(540, 1200, 'top'), { maxWidthPx: 920, maxLines: 4 }),
      sound(seat),
    ),
  dials: [
    {
      id: 'band',
      kind: 'number',
      label: 'How solid the band is',
      about: '',
      group: 'Colours',
      initial: 90,
      least: 20,
      most: 100,
      unit: '%',
      bindings: [
        { path: 'alerts.*.variations.*.parts.band.opacity', transform: { as: 'range', from: [20, 100], to: [0.2, 1] } },
      ],
    },
  ],
}
