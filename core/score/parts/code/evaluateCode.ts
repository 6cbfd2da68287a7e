import type { Canvas } from '../../../composition/canvas.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedCode } from './resolveCode.ts'

export interface CodeState extends VisualBase {
  kind: 'code'
  /** How long it has been there, in milliseconds: the moment of all its animations. */
  intoMs: number
  /** How far it has entered, and left: 0 to 1. */
  enter: number
  leave: number
}

/** The document at a moment inside its clip. */
export function evaluateCode(part: ResolvedCode, tMs: number, canvas: Canvas): CodeState {
  const state = standingAt(part, part, tMs, canvas) as CodeState
  const { startMs, endMs, entrance, exit } = part
  state.kind = 'code'
  state.intoMs = tMs - startMs
  state.enter = entrance.ms > 0 ? Math.min(1, (tMs - startMs) / entrance.ms) : 1
  state.leave = exit.ms > 0 ? Math.max(0, 1 - (endMs - tMs) / exit.ms) : 0
  return state
}
