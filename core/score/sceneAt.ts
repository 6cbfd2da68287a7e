import { isLivePart, isSeenPart, type ResolvedLivePart, type ResolvedScore } from './resolved.ts'
import type { SceneState, VisualState } from './sceneState.ts'
import { shownOf, soundOf, type TextLayouts } from './shownKinds.ts'
import { isWithinClip } from './standing.ts'

/** What is to be drawn of a part that a board keeps up to date, at a moment inside its clip. */
export type ShowLive = (part: ResolvedLivePart, tMs: number, score: ResolvedScore) => VisualState

/**
 * Everything seen and heard at `tMs` (milliseconds on the score's clock). Pure: the same moment gives the same state
 * whatever was asked before. A part is absent outside its clip, and so are all parts outside the score. Linear in the
 * number of parts; texts without a layout are left out.
 * @param showLive draws what boards keep up to date; without it such parts are left out
 */
export function sceneAt(score: ResolvedScore, layouts: TextLayouts, tMs: number, showLive?: ShowLive): SceneState {
  const state: SceneState = { visuals: [], sounds: [] }
  for (const part of score.parts) {
    if (!isWithinClip(part, tMs)) continue
    if (isSeenPart(part)) {
      const shown = isLivePart(part) ? showLive?.(part, tMs, score) : shownOf(part, tMs, score, layouts)
      if (shown) state.visuals.push(shown)
    } else {
      const heard = soundOf(part, tMs, score)
      if (heard) state.sounds.push(heard)
    }
  }
  return state
}
