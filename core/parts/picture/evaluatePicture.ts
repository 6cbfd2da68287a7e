import type { Canvas } from '../../composition/canvas.ts'
import type { ResolvedPicture } from '../../score/resolved.ts'
import type { VisualState } from '../../score/sceneState.ts'
import { matrixOf, motionAt } from '../../score/standing.ts'

/** The picture at a moment inside its clip. */
export function evaluatePicture(part: ResolvedPicture, tMs: number, canvas: Canvas): VisualState {
  const motion = motionAt(part, tMs)
  return {
    partId: part.id,
    kind: 'picture',
    mediaId: part.mediaId,
    widthPx: part.widthPx,
    heightPx: part.heightPx,
    opacity: part.opacity * motion.opacity,
    matrix: matrixOf(part, part, motion, canvas, part.rotationDeg, part.isMirrored ? -1 : 1),
  }
}
