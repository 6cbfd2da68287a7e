import { starterBackdrop } from '../../core/composition/starterParts.ts'
import { paletteFrom } from '../../core/look/paletteFrom.ts'
import { feather, ledgePictures } from '../artwork/ledge.ts'
import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, message, on, picture, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** A narrow ledge at the lower left: says who it was, and is gone. */
export const ledge: GallerySet = {
  id: 'window-ledge',
  name: 'Window ledge',
  about: 'Quiet: a bird, a name and a line at the lower edge. Nothing covers the middle of your picture.',
  canvas: wide,
  look: lookOf(
    'Window ledge',
    paletteFrom(feather),
    ['Bricolage Grotesque', 700],
    ['Instrument Sans', 500],
    { enter: phase('slideLeft', 600), words: phase('fade', 350), leave: phase('fade', 350) },
    { outlineRatio: 0 },
  ),
  words: {
    follow: { headline: '{name}', second: 'landed on the ledge' },
    raid: { headline: '{name}', second: 'and a flock of {party}' },
  },
  pictures: ledgePictures,
  sounds: galleryVoices.ledge,
  sparks: [],
  compose: (seat) => {
    const width = seat.isGreat ? 1180 : 980
    return score(
      seat.isGreat ? 8500 : 6500,
      shape(wide, 'plate', width, 172, on(64, 1012, 'bottomLeft'), {
        form: 'rectangle',
        cornerPx: 86,
        fill: { role: 'plate' },
        opacity: 0.9,
        motion: { entrance: { role: 'enter' }, exit: { role: 'leave' } },
      }),
      picture(
        wide,
        seat,
        190,
        on(156, 922),
        {
          colour: { mode: 'recolour', from: feather, to: { role: 'accent' } },
          motion: { entrance: phase('drop', 600), exit: { role: 'leave' } },
        },
        at('plate.entered', -250),
      ),
      headline(wide, seat, 58, on(270, 900, 'left'), { align: 'start', maxWidthPx: width - 260 }, at('plate.entered')),
      second(
        wide,
        seat,
        36,
        on(270, 958, 'left'),
        { align: 'start', maxWidthPx: width - 260, fit: 'wrap', maxLines: 2 },
        at('headline.start', 180),
      ),
      seat.hasMessage
        ? [
            {
              ...starterBackdrop(wide, ['message'], at('message.start')),
              id: 'slip',
              name: 'Slip',
              cornerPx: 18,
              paddingPx: 20,
              opacity: 0.9,
              place: on(100, 816, 'bottomLeft'),
              clip: { start: at('message.start'), end: { length: 'until', edge: at('message.end') } },
            },
          ]
        : [],
      message(wide, seat, 34, on(100, 816, 'bottomLeft'), { align: 'start', maxWidthPx: 900, maxLines: 4 }),
      sound(seat),
    )
  },
  dials: [
    {
      id: 'ground',
      kind: 'number',
      label: 'How solid the ground is',
      about: '',
      group: 'Colours',
      initial: 90,
      least: 30,
      most: 100,
      unit: '%',
      bindings: [
        {
          path: 'alerts.*.variations.*.parts.plate.opacity',
          transform: { as: 'range', from: [30, 100], to: [0.3, 1] },
        },
      ],
    },
  ],
}
