import { easingOf } from './easing.ts'
import type { Keyframe } from './keyframes.ts'

/**
 * The value of a track at a moment of the clip: held before its first and after its last frame, eased between two.
 * Logarithmic in the number of frames.
 */
export function trackValueAt(frames: readonly Keyframe[], intoMs: number): number {
  let low = 0
  let high = frames.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((frames[middle] as Keyframe).atMs <= intoMs) low = middle + 1
    else high = middle
  }
  const before = frames[low - 1]
  const after = frames[low]
  if (!before) return after?.value ?? 0
  if (!after) return before.value
  const progress = easingOf(after.easing)((intoMs - before.atMs) / (after.atMs - before.atMs))
  return before.value + (after.value - before.value) * progress
}
