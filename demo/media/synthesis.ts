/**
 * The sounds of Lantern Loaf, synthesised from sines and seeded noise: the same bytes on every run. All are ours and
 * CC0.
 */

import { breath, noiseFrom, struck, turn, type Synthesis, type Voice } from './voices.ts'

const bellPartials: [number, number, number][] = [
  [0.5, 0.2, 0.9],
  [1, 0.5, 0.8],
  [1.19, 0.2, 0.5],
  [1.56, 0.18, 0.4],
  [2, 0.3, 0.5],
  [2.51, 0.12, 0.3],
  [3.01, 0.1, 0.2],
]
const brassPartials = (decayS: number): [number, number, number][] => [
  [1, 0.4, decayS],
  [2, 0.3, decayS * 0.8],
  [3, 0.22, decayS * 0.6],
  [4, 0.12, decayS * 0.45],
  [5, 0.08, decayS * 0.3],
]
const brass = (atS: number, hertz: number, decayS = 0.5): Voice => struck(atS, hertz, brassPartials(decayS))
const thump = (atS: number): Voice =>
  struck(atS, 74, [
    [1, 0.9, 0.11],
    [1.6, 0.3, 0.06],
  ])

export const syntheses: readonly Synthesis[] = [
  {
    file: 'oven-bell',
    name: 'Oven bell',
    seconds: 2.4,
    voices: () => [struck(0, 660, bellPartials), struck(0.28, 660, bellPartials), struck(0.56, 880, bellPartials)],
  },
  {
    file: 'dough-thump',
    name: 'Dough thump',
    seconds: 0.9,
    voices: () => [thump(0), thump(0.22), breath(11, 0, 900, (into) => 0.8 * Math.exp(-into / 0.05))],
  },
  {
    file: 'tray-slide',
    name: 'Tray slide',
    seconds: 1.5,
    voices: () => [
      breath(23, 0, 5200, (into) => 0.5 * Math.min(1, into / 0.3) * Math.exp(-Math.max(0, into - 0.5) / 0.12)),
      struck(0.72, 410, [
        [1, 0.3, 0.3],
        [2.76, 0.2, 0.2],
        [5.4, 0.12, 0.12],
      ]),
    ],
  },
  {
    file: 'crackle',
    name: 'Crackle',
    seconds: 3,
    voices: () => {
      const next = noiseFrom(37)
      return [
        ...Array.from({ length: 46 }, (_, index) =>
          struck(((next() + 1) / 2) * 2.8, 900 + 700 * (next() + 1), [
            [1, 0.1 + 0.12 * Math.abs(next()), 0.004 + (index % 5) * 0.002],
          ]),
        ),
        breath(41, 0, 420, (into) => 0.5 * Math.min(1, into / 0.4) * Math.min(1, Math.max(0, 3 - into) / 0.6)),
      ]
    },
  },
  {
    file: 'paper-bag',
    name: 'Paper bag',
    seconds: 1.1,
    voices: () =>
      [0, 0.13, 0.2, 0.42, 0.5].map((at, index) =>
        breath(50 + index, at, 7000, (into) => 0.7 * Math.exp(-into / (0.03 + 0.02 * (index % 3)))),
      ),
  },
  {
    file: 'kettle',
    name: 'Kettle',
    seconds: 2.6,
    voices: () => [
      (seconds) =>
        0.32 *
        Math.min(1, seconds / 1.2) *
        Math.min(1, Math.max(0, 2.6 - seconds) / 0.3) *
        Math.sin(turn * (1180 * seconds + 130 * seconds * seconds + 5 * Math.sin(turn * 6 * seconds))),
      breath(61, 0, 6000, (into) => 0.3 * Math.min(1, into / 0.8) * Math.min(1, Math.max(0, 2.6 - into) / 0.3)),
    ],
  },
  {
    file: 'rush-hour-brass',
    name: 'Rush-hour brass',
    seconds: 2.8,
    voices: () => [
      brass(0, 262),
      brass(0.18, 330),
      brass(0.36, 392),
      brass(0.54, 523, 0.9),
      brass(0.54, 392, 0.9),
      brass(1.1, 440, 0.5),
      brass(1.3, 523, 1.1),
      brass(1.3, 659, 1.1),
      brass(1.3, 392, 1.1),
    ],
  },
]
