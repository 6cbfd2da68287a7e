import * as z from 'zod'
import type { Loudness } from './loudnessMeter.ts'

/** How loud a box wants its sounds. */
export const soundLevel = z.object({
  targetLufs: z.number().min(-36).max(-8),
  /** No sound's true peak goes above it. */
  ceilingDbtp: z.number().min(-9).max(0),
})
export type SoundLevel = z.infer<typeof soundLevel>

export const usualLevel: Readonly<SoundLevel> = { targetLufs: -16, ceilingDbtp: -1 }

/** What levelling needs of a measured file. */
export interface MeasuredLevel {
  /** The one number by which the file is levelled; see `levelledBy`. */
  lufs: number
  truePeakDbtp: number
}

/**
 * Below this, a sound is judged by its loudest moment: in a second and a half there is no average that anybody hears.
 */
const momentaryBelowMs = 3000

/**
 * The loudness that a file is levelled by: integrated; of a sound under three seconds the loudest 400 ms, because the
 * decay after a stroke would make it count as quiet; under 400 ms all of it.
 * @returns null for silence, which has no level
 */
export function levelledBy(loudness: Loudness, durationMs: number): MeasuredLevel | null {
  const lufs = durationMs < momentaryBelowMs ? loudness.momentaryMaxLufs : loudness.integratedLufs
  return Number.isFinite(lufs) && Number.isFinite(loudness.truePeakDbtp)
    ? { lufs, truePeakDbtp: loudness.truePeakDbtp }
    : null
}

/** Whatever was recorded so quietly that it would need more is lifted by this much only: beyond it, noise is heard. */
const maxLiftDb = 24

/** What a file's level becomes in a box. */
export interface Levelling {
  gainDb: number
  /** What keeps it from its target. */
  heldBy: 'ceiling' | 'lift' | null
}

/** The gain that brings a file to the target without taking its true peak over the ceiling. */
export function levellingOf(measured: MeasuredLevel, { targetLufs, ceilingDbtp }: SoundLevel): Levelling {
  const wanted = targetLufs - measured.lufs
  const room = ceilingDbtp - measured.truePeakDbtp
  const gainDb = Math.min(wanted, room, maxLiftDb)
  if (gainDb === wanted) return { gainDb, heldBy: null }
  return { gainDb, heldBy: gainDb === room ? 'ceiling' : 'lift' }
}
