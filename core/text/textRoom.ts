import type { Canvas } from '../composition/canvas.ts'
import { originRatio } from '../composition/originRatio.ts'
import type { Place } from '../composition/place.ts'

/** Text keeps this far from the canvas edge, as a ratio of the canvas width. */
const marginRatio = 0.02

/**
 * How wide text may be: its own maximum, and never so wide that it leaves the canvas from where it stands. Pixels, ≥ 0.
 */
export function textRoomPx(part: { place: Place; maxWidthPx: number; outlinePx: number }, canvas: Canvas): number {
  const marginPx = canvas.widthPx * marginRatio + part.outlinePx
  const leftPx = part.place.xPx - marginPx
  const rightPx = canvas.widthPx - part.place.xPx - marginPx
  const ratio = originRatio[part.place.origin].x
  const sides: Record<number, number> = { 0: rightPx, 1: leftPx }
  const roomPx = sides[ratio] ?? 2 * Math.min(leftPx, rightPx)
  return Math.max(0, Math.min(part.maxWidthPx, roomPx))
}
