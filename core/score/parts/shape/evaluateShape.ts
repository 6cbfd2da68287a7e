import type { Canvas } from '../../../composition/canvas.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedShape } from './resolveShape.ts'

export interface ShapeState extends VisualBase {
  kind: 'shape'
}

/** The form at a moment inside its clip. */
export function evaluateShape(part: ResolvedShape, tMs: number, canvas: Canvas): ShapeState {
  const state = standingAt(part, part, tMs, canvas) as ShapeState
  state.kind = 'shape'
  return state
}
