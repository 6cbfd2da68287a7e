import { duckedDb } from '../audio/ducking.ts'
import { assertNever } from '../assertNever.ts'
import { evaluateBackdrop, type Hugged } from '../parts/backdrop/evaluateBackdrop.ts'
import { evaluateParticles } from '../parts/particles/evaluateParticles.ts'
import { evaluatePicture } from '../parts/picture/evaluatePicture.ts'
import { evaluateShape } from '../parts/shape/evaluateShape.ts'
import { evaluateSound } from '../parts/sound/evaluateSound.ts'
import { evaluateTicker } from '../parts/ticker/evaluateTicker.ts'
import { evaluateVoice } from '../parts/voice/evaluateVoice.ts'
import { evaluateText } from '../text/evaluateText.ts'
import type { TextLayout } from '../text/textLayout.ts'
import { isSeenPart, type ResolvedScore } from './resolved.ts'
import type { FittedTextState, SceneState, SoundState } from './sceneState.ts'
import { isWithinClip } from './standing.ts'

/** How each text of the score was fitted, by part id. */
export type TextLayouts = ReadonlyMap<string, TextLayout>

/**
 * Everything seen and heard at `tMs` (milliseconds on the score's clock). Pure: the same moment gives the same state
 * whatever was asked before. A part is absent outside its clip, and so are all parts outside the score. Linear in the
 * number of parts; texts without a layout are left out.
 */
export function sceneAt(score: ResolvedScore, layouts: TextLayouts, tMs: number): SceneState {
  const state: SceneState = { visuals: [], sounds: [] }
  const { canvas } = score
  for (const part of score.parts) {
    if (!isWithinClip(part, tMs)) continue
    switch (part.kind) {
      case 'picture':
        state.visuals.push(evaluatePicture(part, tMs, canvas))
        break
      case 'line':
      case 'message':
      case 'ticker': {
        const layout = layouts.get(part.id)
        if (!layout) break
        state.visuals.push(
          part.kind === 'ticker'
            ? evaluateTicker(part, layout, tMs, canvas)
            : (evaluateText(part, layout, tMs, canvas) as FittedTextState),
        )
        break
      }
      case 'backdrop':
        state.visuals.push(evaluateBackdrop(part, huggedBy(part.hugs, score, layouts), tMs, canvas))
        break
      case 'shape':
        state.visuals.push(evaluateShape(part, tMs, canvas))
        break
      case 'particles':
        state.visuals.push(evaluateParticles(part, tMs, canvas))
        break
      case 'sound':
        state.sounds.push(ducked(evaluateSound(part, tMs), score, tMs))
        break
      case 'voice': {
        const said = evaluateVoice(part, tMs)
        if (said) state.sounds.push(said)
        break
      }
      default:
        assertNever(part)
    }
  }
  return state
}

function huggedBy(ids: readonly string[], score: ResolvedScore, layouts: TextLayouts): Hugged[] {
  if (ids.length === 0) return []
  const hugged: Hugged[] = []
  for (const part of score.parts) {
    if (!ids.includes(part.id)) continue
    if (part.kind === 'picture' || part.kind === 'shape') hugged.push(part)
    const layout = part.kind === 'line' || part.kind === 'message' ? layouts.get(part.id) : undefined
    if (layout && isSeenPart(part))
      hugged.push({ place: part.place, widthPx: layout.widthPx, heightPx: layout.heightPx })
  }
  return hugged
}

function ducked(sound: SoundState, { duck }: ResolvedScore, tMs: number): SoundState {
  sound.gainDb += duckedDb(duck, tMs)
  return sound
}
