import { starterBackdrop } from '../../core/composition/starterParts.ts'
import { lit, sixteenPictures } from '../artwork/sixteen.ts'
import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, letters, message, on, particles, picture, score, second, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** Sixteen by sixteen lamps, and words that are typed. */
export const sixteen: GallerySet = {
  id: 'sixteen-lamps',
  name: 'Sixteen lamps',
  about: 'Pixels: pictures of sixteen by sixteen lamps, square sparks, and a box of words as old machines had it.',
  canvas: wide,
  look: lookOf(
    'Sixteen lamps',
    { plate: '#0B1A0B', outline: '#061006', headline: '#F4FFE9', body: '#CFE9C2', accent: lit, glow: '#FFD166' },
    ['Oxanium', 800],
    ['Oxanium', 600],
    { enter: phase('drop', 700), words: phase('none', 0), leave: phase('none', 0) },
    { outlineRatio: 0 },
  ),
  words: {
    follow: { headline: '{name}', second: 'has joined the game' },
    tip: { headline: '{name}', second: 'found {amount}' },
    resubscription: { headline: '{name}', second: 'continues: month {months}' },
    raid: { headline: 'New players: {party}', second: 'led by {name}' },
  },
  pictures: sixteenPictures,
  sounds: galleryVoices.sixteen,
  sparks: ['sparks'],
  compose: (seat) =>
    score(
      seat.isGreat ? 8500 : 6500,
      particles(
        wide,
        'scatter',
        {
          sprites: [
            { from: 'form', form: 'square', ink: { role: 'accent' } },
            { from: 'form', form: 'square', ink: { role: 'glow' } },
          ],
          spinDegPerS: { from: 0, to: 0 },
          strength: seat.isGreat ? 1.2 : 0.5,
          place: on(960, 400),
        },
        at('picture.entered', -200),
      ),
      {
        ...starterBackdrop(wide, ['headline', 'second', ...(seat.hasMessage ? ['message'] : [])], at('score.start')),
        cornerPx: 0,
        paddingPx: 36,
        opacity: 0.94,
        motion: { entrance: phase('none', 0), exit: phase('none', 0) },
      },
      picture(wide, seat, seat.isGreat ? 448 : 352, on(960, 400), {
        colour: { mode: 'recolour', from: lit, to: { role: 'accent' } },
      }),
      headline(wide, seat, 84, on(960, 690), {
        isUpperCase: true,
        letters: letters('typed', 50, 40),
        letterSpacingEm: 0.04,
        maxWidthPx: 1300,
      }),
      second(
        wide,
        seat,
        50,
        on(960, 780),
        { letters: letters('typed', 30, 40), maxWidthPx: 1300 },
        at('headline.start', 500),
      ),
      message(wide, seat, 42, on(960, 830, 'top'), { maxWidthPx: 1200, maxLines: 3 }, at('second.start', 500)),
      sound(seat),
    ),
  dials: [
    {
      id: 'typing',
      kind: 'choice',
      label: 'How words come',
      about: '',
      group: 'Motion',
      initial: 'typed',
      choices: [
        { id: 'typed', label: 'typed' },
        { id: 'falling', label: 'falling into place' },
        { id: 'still', label: 'beating' },
      ],
      bindings: [
        {
          path: 'alerts.*.variations.*.parts.headline.letters.motion',
          transform: { as: 'choose', of: { typed: 'typed', falling: 'tumble', still: 'beat' } },
        },
      ],
    },
  ],
}
