/** Sounds quieter than this count as silence (BS.1770-4: absolute gate). */
export const silenceLufs = -70

/** Mean square of weighted samples, summed over channels, as loudness. */
export function lufsOf(power: number): number {
  return power > 0 ? -0.691 + 10 * Math.log10(power) : -Infinity
}

const powerOf = (lufs: number) => 10 ** ((lufs + 0.691) / 10)

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length

/**
 * Integrated loudness after BS.1770-4: the mean of 400 ms blocks, of which those below −70 LUFS, and then those 10 LU
 * below the mean of the rest, do not count.
 * @param blockPowers power of each block, overlapping by three quarters or more
 * @returns LUFS, −Infinity when nothing is above the gate; and how many blocks counted
 */
export function gated(blockPowers: readonly number[]): { lufs: number; counted: number } {
  const heard = blockPowers.filter((power) => lufsOf(power) > silenceLufs)
  if (heard.length === 0) return { lufs: -Infinity, counted: 0 }
  const gate = powerOf(lufsOf(mean(heard)) - 10)
  const counted = heard.filter((power) => power > gate)
  return { lufs: lufsOf(mean(counted)), counted: counted.length }
}

const momentaryBelowS = 1.5
const gatedFromS = 6

/**
 * One number for short and long sounds: the loudest 400 ms up to 1.5 s, the gated mean from 6 s on, and from one over to
 * the other between them.
 * @param seconds of it that are loud
 */
export function blendedLufs(loudest: number, gated: number, seconds: number): number {
  const share = Math.min(1, Math.max(0, (seconds - momentaryBelowS) / (gatedFromS - momentaryBelowS)))
  return share === 0 ? loudest : loudest + (gated - loudest) * share
}

/**
 * Loudness range after EBU Tech 3342: how far apart the quiet (10th percentile) and the loud (95th) stretches of three
 * seconds lie, without silence and without what is 20 LU below the mean.
 * @param shortTermPowers power of each stretch of 3 s, ten a second
 * @returns LU; 0 for what is too short to have one
 */
export function loudnessRangeLu(shortTermPowers: readonly number[]): number {
  const heard = shortTermPowers.filter((power) => lufsOf(power) >= silenceLufs)
  if (heard.length === 0) return 0
  const gate = powerOf(lufsOf(mean(heard)) - 20)
  const counted = heard.filter((power) => power >= gate).sort((a, b) => a - b)
  const at = (ratio: number) => counted[Math.round((counted.length - 1) * ratio)] ?? 0
  return counted.length === 0 ? 0 : lufsOf(at(0.95)) - lufsOf(at(0.1))
}
