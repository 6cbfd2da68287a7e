import { resolvePhase } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import type { ResolvedVisible } from '../score/resolvedBase.ts'
import type { SolvedClip } from '../score/solve.ts'
import type { VisibleFields } from './visibleFields.ts'

/** What settling does alike for every part that can be seen. */
export function settleVisible(part: VisibleFields, times: SolvedClip, look: Look): ResolvedVisible {
  return {
    id: part.id,
    startMs: times.startMs,
    endMs: times.endMs,
    place: part.place,
    opacity: part.opacity,
    rotationDeg: part.rotationDeg,
    entrance: { ...resolvePhase(part.motion.entrance, look), ms: times.entranceMs },
    exit: { ...resolvePhase(part.motion.exit, look), ms: times.exitMs },
    keyframes: part.keyframes,
  }
}
