import { evaluateBar } from '../score/parts/bar/evaluateBar.ts'
import { evaluateChat } from '../score/parts/chat/evaluateChat.ts'
import { evaluateClock } from '../score/parts/clock/evaluateClock.ts'
import { evaluateSponsor } from '../score/parts/sponsor/evaluateSponsor.ts'
import { evaluateList } from '../score/parts/list/evaluateList.ts'
import { evaluateTally } from '../score/parts/tally/evaluateTally.ts'
import { evaluateTop } from '../score/parts/top/evaluateTop.ts'
import type { Canvas } from '../composition/canvas.ts'
import type { ResolvedKinds, ResolvedLivePart, ResolvedScore } from '../score/resolved.ts'
import { sceneAt } from '../score/sceneAt.ts'
import type { LiveStates, SceneState, VisualState } from '../score/sceneState.ts'
import type { TextLayouts } from '../score/shownKinds.ts'
import type { BoardMoment } from './slice.ts'

type EvaluateLive<K extends keyof LiveStates> = (
  part: ResolvedKinds[K],
  moment: BoardMoment,
  tMs: number,
  canvas: Canvas,
) => LiveStates[K]

const liveKinds: { [K in keyof LiveStates]: EvaluateLive<K> } = {
  bar: evaluateBar,
  list: evaluateList,
  chat: evaluateChat,
  top: evaluateTop,
  tally: evaluateTally,
  clock: evaluateClock,
  sponsor: evaluateSponsor,
}

/** What is to be drawn of a live part. The table pairs each kind with its own parts; the compiler cannot follow that. */
export const liveAt = (part: ResolvedLivePart, moment: BoardMoment, tMs: number, canvas: Canvas): VisualState =>
  (liveKinds[part.kind] as EvaluateLive<keyof LiveStates>)(part as never, moment, tMs, canvas)

/**
 * Everything that a board shows at `tMs`, in milliseconds on its own clock: numbers count up and rows move by the time at
 * which they were told. Pure: the same moment gives the same state, whatever was asked before.
 */
export const boardAt = (score: ResolvedScore, layouts: TextLayouts, moment: BoardMoment, tMs: number): SceneState =>
  sceneAt(score, layouts, tMs, (part, atMs) => liveAt(part, moment, atMs, score.canvas))
