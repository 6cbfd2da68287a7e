import type { Canvas } from '../composition/canvas.ts'
import type { Size } from '../composition/size.ts'
import { originRatio } from '../composition/originRatio.ts'
import type { MotionState } from '../motion/motionState.ts'
import { motionAt } from '../motion/motionAt.ts'
import type { ResolvedVisible } from './resolvedBase.ts'
import type { Cut, Matrix, VisualBase } from './visualBase.ts'

/** Whether the part's clip holds this moment: its start belongs to it, its end does not. */
export function isWithinClip(part: { startMs: number; endMs: number }, tMs: number): boolean {
  return tMs >= part.startMs && tMs < part.endMs
}

/** Motion distances are written for a canvas 1080 high and scale with the shorter side. */
export function motionScale(canvas: Canvas): number {
  return Math.min(canvas.widthPx, canvas.heightPx) / 1080
}

/**
 * Where the part's box lies: its origin on its place, scaled and turned about its middle, moved by its motion.
 * @param mirror −1 draws the part mirrored left to right, 1 as it is.
 */
export function matrixOf(
  part: ResolvedVisible,
  box: Size,
  motion: MotionState,
  canvas: Canvas,
  mirror: 1 | -1 = 1,
): Matrix {
  const ratio = originRatio[part.place.origin]
  const reach = motionScale(canvas)
  const restLeft = part.place.xPx - ratio.x * box.widthPx
  const restTop = part.place.yPx - ratio.y * box.heightPx
  const left = restLeft + motion.offsetX * reach + outside(motion.outX, restLeft, box.widthPx, canvas.widthPx)
  const top = restTop + motion.offsetY * reach + outside(motion.outY, restTop, box.heightPx, canvas.heightPx)
  const radians = ((part.rotationDeg + motion.rotationDeg) * Math.PI) / 180
  const cos = Math.cos(radians) * motion.scale
  const sin = Math.sin(radians) * motion.scale
  const middleX = box.widthPx / 2
  const middleY = box.heightPx / 2
  const a = cos * mirror
  const b = sin * mirror
  return [a, b, -sin, cos, left + middleX - a * middleX + sin * middleY, top + middleY - b * middleX - cos * middleY]
}

/** How far a box must move so that it lies wholly outside its side, times how far it is on that way. */
function outside(ratio: number, from: number, side: number, canvasSide: number): number {
  if (ratio === 0) return 0
  // The margin covers outlines and shadows, which are drawn beyond the box.
  const margin = canvasSide * 0.02
  return ratio < 0 ? ratio * (from + side + margin) : ratio * (canvasSide - from + margin)
}

/**
 * What every visible part has in common at a moment inside its clip. A fresh object, which evaluators complete in
 * place: copying it would cost more than computing it.
 */
export function standingAt(
  part: ResolvedVisible,
  box: Size,
  tMs: number,
  canvas: Canvas,
  mirror: 1 | -1 = 1,
): VisualBase {
  const motion = motionAt(part, tMs)
  const isCut = motion.cutTop > 0 || motion.cutRight > 0 || motion.cutBottom > 0 || motion.cutLeft > 0
  const cut: Cut | null = isCut ? [motion.cutTop, motion.cutRight, motion.cutBottom, motion.cutLeft] : null
  return {
    partId: part.id,
    matrix: matrixOf(part, box, motion, canvas, mirror),
    widthPx: box.widthPx,
    heightPx: box.heightPx,
    opacity: part.opacity * motion.opacity,
    blurPx: motion.blurPx * motionScale(canvas),
    cut,
  }
}
