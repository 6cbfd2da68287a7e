import { breath, struck, turn, type Synthesis, type Voice } from '../demo/media/voices.ts'

/** The voices of the sets: each has its own, from a struck glass to a march. */

type Partials = readonly [ratio: number, level: number, decayS: number][]
const glass: Partials = [
  [1, 0.5, 0.5],
  [2.76, 0.2, 0.25],
  [5.4, 0.08, 0.12],
]
const wood: Partials = [
  [1, 0.6, 0.12],
  [2.4, 0.25, 0.06],
  [3.9, 0.1, 0.03],
]
const reed: Partials = [
  [1, 0.4, 0.5],
  [2, 0.25, 0.4],
  [3, 0.2, 0.3],
  [4, 0.1, 0.25],
  [5, 0.06, 0.2],
]
const chime: Partials = [
  [1, 0.4, 1],
  [2, 0.18, 0.7],
  [2.99, 0.12, 0.5],
  [4.2, 0.06, 0.3],
]
const pluck: Partials = [
  [1, 0.5, 0.3],
  [2, 0.3, 0.18],
  [3, 0.18, 0.1],
  [4, 0.1, 0.07],
]

/** Tones one after another, or together where they begin at the same moment. */
const tune = (partials: Partials, notes: readonly [atS: number, hertz: number][]): Voice[] =>
  notes.map(([atS, hertz]) => struck(atS, hertz, partials))
/** A tone with corners, as old machines make it. */
const square =
  (atS: number, hertz: number, forS: number): Voice =>
  (seconds) => {
    const into = seconds - atS
    if (into < 0 || into > forS) return 0
    // Odd partials only, so many that no edge rings above hearing.
    return (
      0.3 *
      Math.min(1, (forS - into) / 0.02) *
      [1, 3, 5, 7].reduce((sum, partial) => sum + Math.sin(turn * hertz * partial * into) / partial, 0)
    )
  }
const swish = (seed: number, atS: number, lengthS: number, cutoffHz: number): Voice =>
  breath(seed, atS, cutoffHz, (into) => 0.7 * Math.sin(Math.PI * Math.min(1, Math.max(0, into) / lengthS)))

const made = (file: string, name: string, seconds: number, voices: () => Voice[]): Synthesis => ({
  file,
  name,
  seconds,
  voices,
})

export const galleryVoices = {
  ledge: {
    arrival: made('ledge-arrival', 'Two drops', 1.1, () =>
      tune(glass, [
        [0, 880],
        [0.14, 1174],
      ]),
    ),
    support: made('ledge-support', 'Four drops', 1.3, () =>
      tune(glass, [
        [0, 784],
        [0.11, 988],
        [0.22, 1174],
        [0.36, 1568],
      ]),
    ),
    crowd: made('ledge-crowd', 'Wings', 1.4, () => [
      swish(7, 0, 0.4, 3000),
      swish(8, 0.3, 0.4, 3800),
      ...tune(glass, [
        [0.5, 1174],
        [0.6, 1568],
      ]),
    ]),
  },
  jelly: {
    arrival: made('jelly-arrival', 'Boing', 0.9, () => [
      (seconds) =>
        0.6 *
        Math.exp(-seconds / 0.25) *
        Math.sin(
          turn * (220 * seconds + 60 * seconds * seconds + 9 * Math.sin(turn * 9 * seconds) * Math.exp(-seconds / 0.2)),
        ),
    ]),
    support: made('jelly-support', 'Skipping', 1.3, () =>
      tune(pluck, [
        [0, 523],
        [0.12, 659],
        [0.24, 784],
        [0.36, 1047],
        [0.5, 784],
        [0.62, 1047],
      ]),
    ),
    crowd: made('jelly-crowd', 'Parade', 1.7, () => [
      ...tune(pluck, [
        [0, 392],
        [0.2, 523],
        [0.4, 659],
        [0.6, 784],
        [0.6, 1047],
        [0.9, 880],
        [1, 1047],
      ]),
      swish(17, 0.5, 0.6, 6000),
    ]),
  },
  curtain: {
    arrival: made('curtain-arrival', 'Three knocks', 1.2, () =>
      tune(wood, [
        [0, 150],
        [0.28, 150],
        [0.56, 150],
      ]),
    ),
    support: made('curtain-support', 'Overture', 1.9, () =>
      tune(reed, [
        [0, 294],
        [0, 370],
        [0.22, 440],
        [0.44, 587],
        [0.44, 440],
        [0.44, 740],
      ]),
    ),
    crowd: made('curtain-crowd', 'Applause', 2, () => [
      ...Array.from({ length: 34 }, (_, index) =>
        breath(100 + index, 0.05 * index + 0.02 * (index % 3), 5200, (into) => 0.5 * Math.exp(-into / 0.03)),
      ),
      ...tune(reed, [
        [0, 220],
        [0.3, 330],
        [0.6, 440],
      ]),
    ]),
  },
  words: {
    arrival: made('words-arrival', 'One key', 0.5, () => [
      ...tune(wood, [[0, 320]]),
      breath(31, 0, 4000, (into) => 0.6 * Math.exp(-into / 0.02)),
    ]),
    support: made('words-support', 'Three keys and a bell', 1.3, () => [
      ...tune(wood, [
        [0, 320],
        [0.12, 300],
        [0.24, 330],
      ]),
      ...tune(chime, [[0.42, 1760]]),
    ]),
    crowd: made('words-crowd', 'A whole line', 1.5, () => [
      ...tune(
        wood,
        Array.from({ length: 9 }, (_, index): [number, number] => [index * 0.09, 300 + 20 * (index % 3)]),
      ),
      swish(33, 0.85, 0.35, 2600),
      ...tune(chime, [[1, 1318]]),
    ]),
  },
  stair: {
    arrival: made('stair-arrival', 'A step and a lamp', 1, () => [
      ...tune(wood, [
        [0, 110],
        [0.2, 120],
      ]),
      ...tune(chime, [[0.34, 659]]),
    ]),
    support: made('stair-support', 'Coins in a jar', 1.2, () =>
      tune(glass, [
        [0, 1480],
        [0.07, 1660],
        [0.16, 1245],
        [0.3, 1864],
        [0.44, 2093],
      ]),
    ),
    crowd: made('stair-crowd', 'Up the stairs', 1.6, () => [
      ...tune(
        wood,
        Array.from({ length: 8 }, (_, index): [number, number] => [index * 0.12, 100 + 14 * index]),
      ),
      ...tune(chime, [
        [0.96, 523],
        [0.96, 784],
      ]),
    ]),
  },
  sixteen: {
    arrival: made('sixteen-arrival', 'Blip', 0.5, () => [square(0, 660, 0.08), square(0.09, 990, 0.2)]),
    support: made('sixteen-support', 'Found it', 0.9, () => [
      square(0, 523, 0.09),
      square(0.1, 659, 0.09),
      square(0.2, 784, 0.09),
      square(0.3, 1047, 0.34),
    ]),
    crowd: made('sixteen-crowd', 'Next level', 1.5, () => [
      square(0, 392, 0.1),
      square(0.12, 523, 0.1),
      square(0.24, 659, 0.1),
      square(0.36, 784, 0.2),
      square(0.58, 659, 0.1),
      square(0.7, 784, 0.5),
    ]),
  },
  frost: {
    arrival: made('frost-arrival', 'Icicle', 1.3, () =>
      tune(chime, [
        [0, 1568],
        [0.1, 2093],
      ]),
    ),
    support: made('frost-support', 'Sleigh', 1.6, () => [
      ...tune(chime, [
        [0, 1047],
        [0.16, 1318],
        [0.32, 1568],
        [0.5, 2093],
      ]),
      ...Array.from({ length: 6 }, (_, index) =>
        struck(index * 0.16, 3400, [
          [1, 0.12, 0.05],
          [1.34, 0.1, 0.04],
        ]),
      ),
    ]),
    crowd: made('frost-crowd', 'First snow', 2, () => [
      swish(51, 0, 1.2, 900),
      ...tune(chime, [
        [0.2, 784],
        [0.4, 988],
        [0.6, 1175],
        [0.9, 1568],
        [0.9, 1175],
      ]),
    ]),
  },
  cart: {
    arrival: made('cart-arrival', 'An apple falls', 0.8, () => [
      ...tune(wood, [
        [0, 96],
        [0.16, 110],
      ]),
      ...tune(pluck, [[0.24, 587]]),
    ]),
    support: made('cart-support', 'Strings', 1.4, () =>
      tune(pluck, [
        [0, 294],
        [0.13, 370],
        [0.26, 440],
        [0.4, 587],
        [0.4, 740],
        [0.66, 880],
      ]),
    ),
    crowd: made('cart-crowd', 'The cart rolls in', 1.9, () => [
      breath(
        61,
        0,
        260,
        (into) => 0.9 * Math.sin(Math.PI * Math.min(1, into / 1.6)) * (0.7 + 0.3 * Math.sin(turn * 9 * into)),
      ),
      ...tune(reed, [
        [0.5, 294],
        [0.7, 370],
        [0.9, 440],
        [1.1, 587],
      ]),
    ]),
  },
}
