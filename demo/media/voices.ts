import { wav16 } from '../../core/audio/wav16.ts'

/** The voices that our sounds are made of: sines and seeded noise, the same on every run. */

export const sampleRateHz = 44_100

export type Voice = (seconds: number) => number

/** Mulberry32: small, seeded, good enough for noise. */
export function noiseFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 31 - 1
  }
}

export const turn = 2 * Math.PI

/** A struck tone: partials with their own level and decay. */
export function struck(
  atS: number,
  hertz: number,
  partials: readonly [ratio: number, level: number, decayS: number][],
): Voice {
  return (seconds) => {
    const into = seconds - atS
    if (into < 0) return 0
    const attack = Math.min(1, into / 0.004)
    return (
      attack *
      partials.reduce(
        (sum, [ratio, level, decayS]) => sum + level * Math.sin(turn * hertz * ratio * into) * Math.exp(-into / decayS),
        0,
      )
    )
  }
}

/** A burst of noise, darkened by a one-pole low-pass; `shape` is its loudness over time since its start. */
export function breath(seed: number, atS: number, cutoffHz: number, shape: (into: number) => number): Voice {
  const next = noiseFrom(seed)
  const smoothing = 1 - Math.exp((-turn * cutoffHz) / sampleRateHz)
  let held = 0
  return (seconds) => {
    held += smoothing * (next() - held)
    const into = seconds - atS
    return into < 0 ? 0 : held * shape(into)
  }
}

/** A sound as a script: its voices, and how long it is. */
export interface Synthesis {
  file: string
  name: string
  seconds: number
  voices: () => Voice[]
}

/** Renders to mono samples with a peak of `peakRatio`, faded at the very end so that nothing clicks. */
export function render(synthesis: Synthesis, peakRatio = 0.7): Float64Array {
  const samples = new Float64Array(Math.round(synthesis.seconds * sampleRateHz))
  for (const voice of synthesis.voices())
    for (let index = 0; index < samples.length; index++) samples[index]! += voice(index / sampleRateHz)
  const peak = samples.reduce((largest, sample) => Math.max(largest, Math.abs(sample)), 0)
  const fadeFrom = samples.length - Math.round(0.03 * sampleRateHz)
  return samples.map(
    (sample, index) =>
      (sample / peak) * peakRatio * Math.min(1, (samples.length - index) / (samples.length - fadeFrom)),
  )
}

/** The sound as a WAV file. */
export function toWav(samples: Float64Array): Buffer {
  return Buffer.from(wav16([samples], sampleRateHz))
}
