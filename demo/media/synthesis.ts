/** The sounds of Lantern Loaf, synthesised from sines and seeded noise: the same bytes on every run. All are ours and CC0. */

import { wav16 } from '../../core/audio/wav16.ts'

export const sampleRateHz = 44_100

type Voice = (seconds: number) => number

/** Mulberry32: small, seeded, good enough for noise. */
function noiseFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 31 - 1
  }
}

const turn = 2 * Math.PI

/** A struck tone: partials with their own level and decay. */
function struck(atS: number, hertz: number, partials: readonly [ratio: number, level: number, decayS: number][]): Voice {
  return (seconds) => {
    const into = seconds - atS
    if (into < 0) return 0
    const attack = Math.min(1, into / 0.004)
    return attack * partials.reduce((sum, [ratio, level, decayS]) => sum + level * Math.sin(turn * hertz * ratio * into) * Math.exp(-into / decayS), 0)
  }
}

/** A burst of noise, darkened by a one-pole low-pass; `shape` is its loudness over time since its start. */
function breath(seed: number, atS: number, cutoffHz: number, shape: (into: number) => number): Voice {
  const next = noiseFrom(seed)
  const smoothing = 1 - Math.exp((-turn * cutoffHz) / sampleRateHz)
  let held = 0
  return (seconds) => {
    held += smoothing * (next() - held)
    const into = seconds - atS
    return into < 0 ? 0 : held * shape(into)
  }
}

const bellPartials: [number, number, number][] = [[0.5, 0.2, 0.9], [1, 0.5, 0.8], [1.19, 0.2, 0.5], [1.56, 0.18, 0.4], [2, 0.3, 0.5], [2.51, 0.12, 0.3], [3.01, 0.1, 0.2]]
const brassPartials = (decayS: number): [number, number, number][] => [[1, 0.4, decayS], [2, 0.3, decayS * 0.8], [3, 0.22, decayS * 0.6], [4, 0.12, decayS * 0.45], [5, 0.08, decayS * 0.3]]
const brass = (atS: number, hertz: number, decayS = 0.5): Voice => struck(atS, hertz, brassPartials(decayS))
const thump = (atS: number): Voice => struck(atS, 74, [[1, 0.9, 0.11], [1.6, 0.3, 0.06]])

export interface Synthesis {
  file: string
  name: string
  seconds: number
  voices: () => Voice[]
}

export const syntheses: readonly Synthesis[] = [
  { file: 'oven-bell', name: 'Oven bell', seconds: 2.4, voices: () => [struck(0, 660, bellPartials), struck(0.28, 660, bellPartials), struck(0.56, 880, bellPartials)] },
  { file: 'dough-thump', name: 'Dough thump', seconds: 0.9, voices: () => [thump(0), thump(0.22), breath(11, 0, 900, (into) => 0.8 * Math.exp(-into / 0.05))] },
  {
    file: 'tray-slide',
    name: 'Tray slide',
    seconds: 1.5,
    voices: () => [breath(23, 0, 5200, (into) => 0.5 * Math.min(1, into / 0.3) * Math.exp(-Math.max(0, into - 0.5) / 0.12)), struck(0.72, 410, [[1, 0.3, 0.3], [2.76, 0.2, 0.2], [5.4, 0.12, 0.12]])],
  },
  {
    file: 'crackle',
    name: 'Crackle',
    seconds: 3,
    voices: () => {
      const next = noiseFrom(37)
      return [
        ...Array.from({ length: 46 }, (_, index) => struck(((next() + 1) / 2) * 2.8, 900 + 700 * (next() + 1), [[1, 0.1 + 0.12 * Math.abs(next()), 0.004 + (index % 5) * 0.002]])),
        breath(41, 0, 420, (into) => 0.5 * Math.min(1, into / 0.4) * Math.min(1, Math.max(0, 3 - into) / 0.6)),
      ]
    },
  },
  { file: 'paper-bag', name: 'Paper bag', seconds: 1.1, voices: () => [0, 0.13, 0.2, 0.42, 0.5].map((at, index) => breath(50 + index, at, 7000, (into) => 0.7 * Math.exp(-into / (0.03 + 0.02 * (index % 3))))) },
  {
    file: 'kettle',
    name: 'Kettle',
    seconds: 2.6,
    voices: () => [
      (seconds) => 0.32 * Math.min(1, seconds / 1.2) * Math.min(1, Math.max(0, 2.6 - seconds) / 0.3) * Math.sin(turn * (1180 * seconds + 130 * seconds * seconds + 5 * Math.sin(turn * 6 * seconds))),
      breath(61, 0, 6000, (into) => 0.3 * Math.min(1, into / 0.8) * Math.min(1, Math.max(0, 2.6 - into) / 0.3)),
    ],
  },
  {
    file: 'rush-hour-brass',
    name: 'Rush-hour brass',
    seconds: 2.8,
    voices: () => [brass(0, 262), brass(0.18, 330), brass(0.36, 392), brass(0.54, 523, 0.9), brass(0.54, 392, 0.9), brass(1.1, 440, 0.5), brass(1.3, 523, 1.1), brass(1.3, 659, 1.1), brass(1.3, 392, 1.1)],
  },
]

/** Renders to mono samples with a peak of `peakRatio`, faded at the very end so that nothing clicks. */
export function render(synthesis: Synthesis, peakRatio = 0.7): Float64Array {
  const samples = new Float64Array(Math.round(synthesis.seconds * sampleRateHz))
  for (const voice of synthesis.voices()) for (let index = 0; index < samples.length; index++) samples[index]! += voice(index / sampleRateHz)
  const peak = samples.reduce((largest, sample) => Math.max(largest, Math.abs(sample)), 0)
  const fadeFrom = samples.length - Math.round(0.03 * sampleRateHz)
  return samples.map((sample, index) => (sample / peak) * peakRatio * Math.min(1, (samples.length - index) / (samples.length - fadeFrom)))
}

/** The sound as a WAV file. */
export function toWav(samples: Float64Array): Buffer {
  return Buffer.from(wav16([samples], sampleRateHz))
}
