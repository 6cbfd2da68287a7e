import type { Canvas } from './canvas.ts'
import type { Zone } from './zone.ts'

/** A box on the canvas with upright sides, in canvas pixels. */
export interface CanvasBox {
  left: number
  top: number
  right: number
  bottom: number
}

/** The safe area keeps this far from each edge, as a ratio of the side. */
export const safeAreaRatio = 0.05

/** Where nothing is cut off by any player. */
export function safeArea({ widthPx, heightPx }: Canvas): CanvasBox {
  return {
    left: widthPx * safeAreaRatio,
    top: heightPx * safeAreaRatio,
    right: widthPx * (1 - safeAreaRatio),
    bottom: heightPx * (1 - safeAreaRatio),
  }
}

export function boxOfZone(zone: Zone): CanvasBox {
  return { left: zone.xPx, top: zone.yPx, right: zone.xPx + zone.widthPx, bottom: zone.yPx + zone.heightPx }
}

/** The smallest box around some points. */
export function boxAround(points: readonly { xPx: number; yPx: number }[]): CanvasBox {
  const xs = points.map((point) => point.xPx)
  const ys = points.map((point) => point.yPx)
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
}

/** The area that two boxes share, in square pixels. */
export function sharedArea(a: CanvasBox, b: CanvasBox): number {
  return (
    Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
    Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top))
  )
}

export function areaOf(box: CanvasBox): number {
  return (box.right - box.left) * (box.bottom - box.top)
}
