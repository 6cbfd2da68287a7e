import type { Canvas } from '../composition/canvas.ts'
import { areaOf, boxOfZone, safeArea, sharedArea, type CanvasBox } from '../composition/canvasBox.ts'
import type { Zone } from '../composition/zone.ts'

/** A room narrower or lower than this share of the canvas is no room for an alert. */
const leastRatio = 0.3

/**
 * The largest rectangle of the safe area that keeps clear of every zone that is not free; where none is large enough,
 * the safe area itself. Rectangles between the edges of zones are tried: at most (2n + 2)² of them for n zones.
 */
export function roomFor(canvas: Canvas, zones: readonly Zone[]): CanvasBox {
  const { widthPx, heightPx } = canvas
  const safe = safeArea(canvas)
  const taken = zones.filter((zone) => zone.purpose !== 'free').map(boxOfZone)
  if (taken.length === 0) return safe
  const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
  const xs = [
    ...new Set([
      safe.left,
      safe.right,
      ...taken.flatMap((zone) => [within(zone.left, safe.left, safe.right), within(zone.right, safe.left, safe.right)]),
    ]),
  ].sort((a, b) => a - b)
  const ys = [
    ...new Set([
      safe.top,
      safe.bottom,
      ...taken.flatMap((zone) => [within(zone.top, safe.top, safe.bottom), within(zone.bottom, safe.top, safe.bottom)]),
    ]),
  ].sort((a, b) => a - b)
  let best: CanvasBox | null = null
  for (const left of xs) {
    for (const right of xs) {
      if (right - left < widthPx * leastRatio) continue
      for (const top of ys) {
        for (const bottom of ys) {
          if (bottom - top < heightPx * leastRatio) continue
          const box = { left, top, right, bottom }
          const isClear = taken.every((zone) => sharedArea(zone, box) === 0)
          if (isClear && (!best || areaOf(box) > areaOf(best))) best = box
        }
      }
    }
  }
  return best ?? safe
}
