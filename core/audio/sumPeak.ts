import type { SoundRound } from '../score/soundRound.ts'
import { envelopeAt, type EnvelopePoint } from './ducking.ts'
import type { WaveformLevel } from './soundMeter.ts'

/** One sound among several that are heard together. */
export interface SoundInSum {
  startMs: number
  endMs: number
  gainDb: number
  repeats: boolean
  /** How long a round of what repeats is, and how far into it the file begins; absent: as long as the file. */
  round?: SoundRound | undefined
  /** How far its file's true peak lies above the highest of its samples' stretches, at least 1. */
  overshoot: number
  waveform: WaveformLevel
  /** How it goes down while a voice speaks; absent: it does not. */
  duck?: readonly EnvelopePoint[] | undefined
}

/**
 * The highest that sounds together can reach: at each moment their amplitudes are added, as if their waves met peak on
 * peak there. That is never less than what is heard, and by stretches of 10 ms a good deal nearer to it than the sum of
 * the highest peaks, which may lie seconds apart. Linear in length × sounds. Fades are left out, which errs to the high
 * side too.
 * @returns amplitude, and when; among at least two sounds at a time
 */
export function sumPeak(sounds: readonly SoundInSum[]): { amplitude: number; atMs: number } {
  const stepMs = Math.min(...sounds.map(({ waveform }) => waveform.stretchMs))
  const toMs = Math.max(...sounds.map(({ endMs }) => endMs))
  let highest = { amplitude: 0, atMs: 0 }
  for (let atMs = Math.min(...sounds.map(({ startMs }) => startMs)); atMs < toMs; atMs += stepMs) {
    let amplitude = 0
    let heard = 0
    for (const sound of sounds) {
      const peak = peakWithin(sound, atMs, atMs + stepMs)
      if (peak === 0) continue
      heard += 1
      amplitude +=
        (peak / 255) *
        sound.overshoot *
        10 ** (sound.gainDb / 20) *
        (sound.duck ? Math.max(envelopeAt(sound.duck, atMs), envelopeAt(sound.duck, atMs + stepMs)) : 1)
    }
    if (heard > 1 && amplitude > highest.amplitude) highest = { amplitude, atMs }
  }
  return highest
}

/** The highest stretch that a moment of the score may fall into, 0…255. */
function peakWithin(
  { startMs, endMs, repeats, round, waveform: { stretchMs, peaks } }: SoundInSum,
  fromMs: number,
  toMs: number,
): number {
  if (toMs <= startMs || fromMs >= endMs) return 0
  let highest = 0
  const last = Math.ceil((Math.min(toMs, endMs) - startMs) / stretchMs) - 1
  for (let stretch = Math.max(0, Math.floor((fromMs - startMs) / stretchMs)); stretch <= last; stretch++) {
    if (round) {
      // Rounds end between stretches: whichever of two it falls into may be heard.
      const at = Math.floor((((stretch * stretchMs) % round.ms) - round.leadMs) / stretchMs)
      highest = Math.max(highest, peaks[at] ?? 0, peaks[at + 1] ?? 0)
    } else highest = Math.max(highest, peaks[repeats ? stretch % peaks.length : stretch] ?? 0)
  }
  return highest
}

/** How far a file's true peak lies above what its waveform shows, as a factor. */
export function overshootOf(truePeakDbtp: number, { peaks }: WaveformLevel): number {
  const highest = peaks.reduce((most, peak) => Math.max(most, peak), 0)
  return highest === 0 ? 1 : Math.max(1, (10 ** (truePeakDbtp / 20) * 255) / highest)
}
