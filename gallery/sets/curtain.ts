import { starterTicker } from '../../core/composition/starterParts.ts'
import { brass, curtainPictures } from '../artwork/curtain.ts'
import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, letters, message, on, picture, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

const side = (id: string, xPx: number, origin: 'topLeft' | 'topRight', motion: 'slideLeft' | 'slideRight') =>
  shape(wide, id, 980, 1080, on(xPx, 0, origin), {
    form: 'rectangle',
    cornerPx: 0,
    fill: { role: 'plate' },
    opacity: 0.94,
    motion: { entrance: phase(motion, 700), exit: phase(motion, 600) },
  })

/** Two halves of a curtain close over the whole canvas, and the name is the play. */
export const curtain: GallerySet = {
  id: 'curtain-up',
  name: 'Curtain up',
  about: 'Full screen: a curtain closes over everything, the name stands in lights, the curtain opens again.',
  canvas: wide,
  look: lookOf(
    'Curtain up',
    { plate: '#2A0A12', outline: '#1A0509', headline: '#FFF3DC', body: '#F3D9C4', accent: brass, glow: '#F2785C' },
    ['Anton', 400],
    ['Bricolage Grotesque', 600],
    { enter: phase('loom', 900), words: phase('unfold', 500), leave: phase('fade', 250) },
  ),
  words: {
    follow: { headline: '{name}', second: 'takes a seat in the front row' },
    tip: { headline: '{amount}', second: 'from {name}, with flowers' },
    raid: { headline: 'Full house', second: '{name} brings {party} in evening dress' },
  },
  pictures: curtainPictures,
  sounds: galleryVoices.curtain,
  sparks: ['running'],
  compose: (seat) =>
    score(
      seat.isGreat ? 9500 : 7500,
      side('left', 0, 'topLeft', 'slideLeft'),
      side('right', 1920, 'topRight', 'slideRight'),
      shape(
        wide,
        'rim',
        1920,
        10,
        on(960, 860),
        {
          form: 'rectangle',
          cornerPx: 0,
          fill: { role: 'accent' },
          motion: { entrance: phase('wipe', 600), exit: { role: 'leave' } },
        },
        at('left.entered', -100),
      ),
      picture(
        wide,
        seat,
        380,
        on(960, 290),
        { colour: { mode: 'recolour', from: brass, to: { role: 'accent' } } },
        at('left.entered', -150),
      ),
      headline(
        wide,
        seat,
        190,
        on(960, 610),
        { isUpperCase: true, letters: letters('rise', 45, 420, 'centre'), letterSpacingEm: 0.02, maxWidthPx: 1760 },
        at('left.entered'),
      ),
      second(
        wide,
        seat,
        62,
        on(960, 770),
        { ink: { role: 'accent' }, highlightInk: { role: 'headline' } },
        at('headline.start', 500),
      ),
      message(wide, seat, 46, on(960, 960), { maxWidthPx: 1500, maxLines: 2 }),
      seat.hasMessage
        ? []
        : [
            {
              ...starterTicker(wide, `${seat.words.headline}   ·   ${seat.words.second}   ·   `),
              id: 'running',
              place: on(960, 950),
              widthPx: 1728,
              sizePx: 52,
              opacity: 0.75,
              clip: { start: at('second.start'), end: { length: 'until', edge: at('score.end') } },
            },
          ],
      sound(seat),
    ),
  dials: [
    {
      id: 'cloth',
      kind: 'number',
      label: 'How heavy the curtain is',
      about: 'Less lets your picture shine through.',
      group: 'Colours',
      initial: 94,
      least: 40,
      most: 100,
      unit: '%',
      bindings: ['left', 'right'].map((part) => ({
        path: `alerts.*.variations.*.parts.${part}.opacity`,
        transform: { as: 'range', from: [40, 100], to: [0.4, 1] },
      })),
    },
  ],
}
