import type { ResolvedScore } from './resolved.ts'
import { isWithinClip } from './standing.ts'

/**
 * The moment that shows a score best as a still: the first at which the most parts are to be seen at rest. Milliseconds.
 * Cost: quadratic in the number of parts.
 */
export function restingMs(score: ResolvedScore): number {
  const visible = score.parts.filter((part) => part.kind !== 'sound')
  let best = { atMs: 0, count: -1 }
  for (const atMs of visible.map((part) => part.startMs + part.entrance.ms).sort((a, b) => a - b)) {
    const count = visible.filter((part) => isWithinClip(part, atMs) && atMs >= part.startMs + part.entrance.ms && atMs <= part.endMs - part.exit.ms).length
    if (count > best.count) best = { atMs, count }
  }
  return Math.min(best.atMs, Math.max(0, score.lengthMs - 1))
}
