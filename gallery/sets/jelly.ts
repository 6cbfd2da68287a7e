import { paletteFrom } from '../../core/look/paletteFrom.ts'
import { berry, jellyPictures } from '../artwork/jelly.ts'
import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, letters, message, on, particles, picture, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** Jellies that hop in, with words that ripple. */
export const jelly: GallerySet = {
  id: 'jelly-parade',
  name: 'Jelly parade',
  about: 'Playful: a jelly hops into the middle, names ripple like it, and sweets fly.',
  canvas: wide,
  look: lookOf('Jelly parade', paletteFrom(berry, '#6FE0FF'), ['Fredoka', 700], ['Fredoka', 600], {
    enter: phase('spring', 1000),
    words: phase('spring', 650),
    leave: phase('zoom', 350),
  }),
  words: {
    follow: { headline: '{name}', second: 'hops along' },
    tip: { headline: '{name}', second: 'drops {amount} in the bowl' },
    raid: { headline: 'A whole parade', second: '{name} brings {party} more' },
  },
  pictures: jellyPictures,
  sounds: galleryVoices.jelly,
  sparks: ['sparks'],
  compose: (seat) =>
    score(
      seat.isGreat ? 9000 : 7000,
      shape(wide, 'cloud', seat.isGreat ? 620 : 500, seat.isGreat ? 620 : 500, on(960, 400), {
        form: 'burst',
        fill: { role: 'glow' },
        opacity: 0.5,
        motion: { entrance: phase('zoom', 500), exit: { role: 'leave' } },
      }),
      picture(
        wide,
        seat,
        seat.isGreat ? 520 : 430,
        on(960, 390),
        { colour: { mode: 'recolour', from: berry, to: { role: 'accent' } } },
        at('cloud.start', 150),
      ),
      particles(wide, 'scatter', { strength: seat.isGreat ? 1.4 : 0.7, place: on(960, 400) }, at('picture.start', 250)),
      headline(
        wide,
        seat,
        116,
        on(960, 700),
        { letters: letters('ripple', 60, 1400), highlightInk: { role: 'accent' } },
        at('picture.entered'),
      ),
      second(wide, seat, 58, on(960, 800), {}, at('headline.entered', -300)),
      message(wide, seat, 44, on(960, 925), { maxWidthPx: 1300, maxLines: 3 }),
      sound(seat),
    ),
  dials: [
    {
      id: 'wobble',
      kind: 'number',
      label: 'Wobble of names',
      about: '',
      group: 'Motion',
      initial: 1,
      least: 0,
      most: 3,
      unit: '×',
      bindings: [{ path: 'alerts.*.variations.*.parts.headline.letters.strength', transform: { as: 'same' } }],
    },
  ],
}
