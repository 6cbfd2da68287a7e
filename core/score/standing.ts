import type { Canvas } from '../composition/canvas.ts'
import { originRatio } from '../composition/originRatio.ts'
import type { ResolvedVisible } from './resolved.ts'
import { enteringState, leavingState, atRest, type MotionState } from './motionState.ts'
import type { Matrix } from './sceneState.ts'

/** Whether the part's clip holds this moment: its start belongs to it, its end does not. */
export function isWithinClip(part: { startMs: number; endMs: number }, tMs: number): boolean {
  return tMs >= part.startMs && tMs < part.endMs
}

/** What the part's motion does to it at a moment inside its clip. */
export function motionAt(part: ResolvedVisible, tMs: number): MotionState {
  const intoMs = tMs - part.startMs
  if (intoMs < part.entrance.ms) return enteringState(part.entrance.motion, intoMs / part.entrance.ms)
  const leftMs = part.endMs - tMs
  if (leftMs < part.exit.ms) return leavingState(part.exit.motion, 1 - leftMs / part.exit.ms)
  return atRest
}

/** Motion distances are written for a canvas 1080 high and scale with the shorter side. */
function motionScale(canvas: Canvas): number {
  return Math.min(canvas.widthPx, canvas.heightPx) / 1080
}

/**
 * Where the part's box lies: its origin on its place, scaled and turned about its middle, moved by its motion.
 * @param mirror −1 draws the part mirrored left to right, 1 as it is.
 */
export function matrixOf(
  part: ResolvedVisible,
  box: { widthPx: number; heightPx: number },
  motion: MotionState,
  canvas: Canvas,
  rotationDeg = 0,
  mirror: 1 | -1 = 1,
): Matrix {
  const ratio = originRatio[part.place.origin]
  const reach = motionScale(canvas)
  const left = part.place.xPx - ratio.x * box.widthPx + motion.offsetX * reach
  const top = part.place.yPx - ratio.y * box.heightPx + motion.offsetY * reach
  const radians = (rotationDeg * Math.PI) / 180
  const cos = Math.cos(radians) * motion.scale
  const sin = Math.sin(radians) * motion.scale
  const middleX = box.widthPx / 2
  const middleY = box.heightPx / 2
  const a = cos * mirror
  const b = sin * mirror
  return [a, b, -sin, cos, left + middleX - a * middleX + sin * middleY, top + middleY - b * middleX - cos * middleY]
}
