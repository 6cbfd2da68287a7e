import type { Canvas } from '../../composition/canvas.ts'
import type { ResolvedLine } from '../../score/resolved.ts'
import type { LineLayout, VisualState } from '../../score/sceneState.ts'
import { matrixOf, motionAt } from '../../score/standing.ts'

/** The line at a moment inside its clip. It is drawn as it was fitted; nothing is measured here. */
export function evaluateLine(part: ResolvedLine, layout: LineLayout, tMs: number, canvas: Canvas): VisualState {
  const motion = motionAt(part, tMs)
  return {
    partId: part.id,
    kind: 'line',
    pieces: layout.pieces,
    sizePx: layout.sizePx,
    widthPx: layout.widthPx,
    heightPx: layout.heightPx,
    opacity: part.opacity * motion.opacity,
    matrix: matrixOf(part, layout, motion, canvas),
  }
}
