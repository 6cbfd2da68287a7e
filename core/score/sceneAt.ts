import { isSeenPart, type ResolvedScore } from './resolved.ts'
import type { SceneState } from './sceneState.ts'
import { shownOf, soundOf, type TextLayouts } from './shownKinds.ts'
import { isWithinClip } from './standing.ts'

/**
 * Everything seen and heard at `tMs` (milliseconds on the score's clock). Pure: the same moment gives the same state
 * whatever was asked before. A part is absent outside its clip, and so are all parts outside the score. Linear in the
 * number of parts; texts without a layout are left out.
 */
export function sceneAt(score: ResolvedScore, layouts: TextLayouts, tMs: number): SceneState {
  const state: SceneState = { visuals: [], sounds: [] }
  for (const part of score.parts) {
    if (!isWithinClip(part, tMs)) continue
    if (isSeenPart(part)) {
      const shown = shownOf(part, tMs, score, layouts)
      if (shown) state.visuals.push(shown)
    } else {
      const heard = soundOf(part, tMs, score)
      if (heard) state.sounds.push(heard)
    }
  }
  return state
}
