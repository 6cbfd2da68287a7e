import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, letters, message, on, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** Nothing but words, typed. */
export const words: GallerySet = {
  id: 'plain-speaking',
  name: 'Plain speaking',
  about: 'Text only: names typed large at the left, one rule under them. Reads over any picture.',
  canvas: wide,
  look: lookOf(
    'Plain speaking',
    { plate: '#14171C', outline: '#0B0D10', headline: '#FFFFFF', body: '#E6E9EE', accent: '#F5E663', glow: '#F5E663' },
    ['Unbounded', 800],
    ['Instrument Sans', 600],
    { enter: phase('wipe', 500), words: phase('fromLeft', 400), leave: phase('fade', 300) },
    { outlineRatio: 0.9, shadow: true },
  ),
  words: {
    follow: { headline: '{name}.', second: 'New here. Say hello.' },
    tip: { headline: '{amount}.', second: 'From {name}. Thank you.' },
    raid: { headline: '{party} more.', second: '{name} sent them over.' },
  },
  pictures: null,
  sounds: galleryVoices.words,
  sparks: [],
  compose: (seat) =>
    score(
      seat.isGreat ? 8500 : 6500,
      shape(
        wide,
        'rule',
        seat.isGreat ? 900 : 420,
        12,
        on(150, 560, 'left'),
        {
          form: 'rectangle',
          cornerPx: 0,
          fill: { role: 'accent' },
          motion: { entrance: { role: 'enter' }, exit: { role: 'leave' } },
        },
        at('headline.start', 300),
      ),
      headline(wide, seat, seat.isGreat ? 150 : 118, on(150, 460, 'left'), {
        align: 'start',
        maxWidthPx: 1620,
        letters: letters('typed', 55, 40),
        motion: { entrance: phase('none', 0), exit: { role: 'leave' } },
      }),
      second(wide, seat, 56, on(150, 640, 'left'), { align: 'start', maxWidthPx: 1500 }, at('rule.entered', -100)),
      message(wide, seat, 44, on(150, 700, 'topLeft'), { align: 'start', maxWidthPx: 1300 }),
      sound(seat),
    ),
  dials: [
    {
      id: 'capitals',
      kind: 'switch',
      label: 'Names in capitals',
      about: '',
      group: 'Words',
      initial: false,
      bindings: [{ path: 'alerts.*.variations.*.parts.headline.isUpperCase', transform: { as: 'same' } }],
    },
  ],
}
