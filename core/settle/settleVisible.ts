import type { ResolvedVisible } from '../score/resolvedBase.ts'
import type { SolvedClip } from '../score/solve.ts'
import type { VisibleFields } from './visibleFields.ts'

/** What settling does alike for every part that can be seen. */
export function settleVisible(part: VisibleFields, times: SolvedClip): ResolvedVisible {
  return {
    id: part.id,
    startMs: times.startMs,
    endMs: times.endMs,
    place: part.place,
    opacity: part.opacity,
    rotationDeg: part.rotationDeg,
    entrance: { ...part.motion.entrance, ms: times.entranceMs },
    exit: { ...part.motion.exit, ms: times.exitMs },
    keyframes: part.keyframes,
  }
}
