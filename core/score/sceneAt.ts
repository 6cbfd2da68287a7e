import { assertNever } from '../assertNever.ts'
import { evaluateBackdrop, type Hugged } from '../parts/backdrop/evaluateBackdrop.ts'
import { evaluateLine } from '../parts/line/evaluateLine.ts'
import { evaluatePicture } from '../parts/picture/evaluatePicture.ts'
import { evaluateSound } from '../parts/sound/evaluateSound.ts'
import type { ResolvedScore } from './resolved.ts'
import type { LineLayout, SceneState } from './sceneState.ts'
import { isWithinClip } from './standing.ts'

/** How each line of the score was fitted, by part id. */
export type LineLayouts = ReadonlyMap<string, LineLayout>

/**
 * Everything seen and heard at `tMs` (milliseconds on the score's clock). Pure: the same moment gives the same state
 * whatever was asked before. A part is absent outside its clip, and so are all parts outside the score. Linear in the
 * number of parts; lines without a layout are left out.
 */
export function sceneAt(score: ResolvedScore, layouts: LineLayouts, tMs: number): SceneState {
  const state: SceneState = { visuals: [], sounds: [] }
  for (const part of score.parts) {
    if (!isWithinClip(part, tMs)) continue
    switch (part.kind) {
      case 'picture':
        state.visuals.push(evaluatePicture(part, tMs, score.canvas))
        break
      case 'line': {
        const layout = layouts.get(part.id)
        if (layout) state.visuals.push(evaluateLine(part, layout, tMs, score.canvas))
        break
      }
      case 'backdrop':
        state.visuals.push(evaluateBackdrop(part, huggedBy(part.hugs, score, layouts), tMs, score.canvas))
        break
      case 'sound':
        state.sounds.push(evaluateSound(part, tMs))
        break
      default:
        assertNever(part)
    }
  }
  return state
}

function huggedBy(ids: readonly string[], score: ResolvedScore, layouts: LineLayouts): Hugged[] {
  const hugged: Hugged[] = []
  for (const part of score.parts) {
    if (!ids.includes(part.id)) continue
    if (part.kind === 'picture') hugged.push(part)
    const layout = part.kind === 'line' ? layouts.get(part.id) : undefined
    if (layout && part.kind === 'line') hugged.push({ place: part.place, widthPx: layout.widthPx, heightPx: layout.heightPx })
  }
  return hugged
}
