import * as z from 'zod'
import { blendedLufs } from './loudness.ts'
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

/** What is stored of a sound's loudness; what was measured by an older program lacks the number for levelling. */
export type StoredLoudness = Pick<Loudness, 'integratedLufs' | 'momentaryMaxLufs' | 'truePeakDbtp'> & {
  levelLufs?: number | undefined
}

/**
 * The loudness that a file is levelled by: the number that was measured for it (`LoudnessMeter.levelOf`). What was
 * measured before there was one goes from its loudest 400 ms to its integrated loudness by its length.
 * @param heardMs without the silence at its edges
 * @returns null for silence, which has no level
 */
export function levelledBy(loudness: StoredLoudness, heardMs: number): MeasuredLevel | null {
  const { momentaryMaxLufs, integratedLufs, levelLufs } = loudness
  const lufs = levelLufs ?? blendedLufs(momentaryMaxLufs, integratedLufs, heardMs / 1000)
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
