import type { Canvas } from '../composition/canvas.ts'
import { boxOfZone, safeArea, sharedArea, type CanvasBox } from '../composition/canvasBox.ts'
import type { Zone } from '../composition/zone.ts'

/** So many places are tried along each side of the canvas. */
const steps = 24

/**
 * Where something new stands best: in the safe area, over as little as possible of what is there and of zones that are
 * not free, and of places that are as good the one nearest to where it is wanted.
 * Places on a grid are tried: linear in what is there, for each of some six hundred places.
 * @param size of what is new, in canvas pixels
 * @param wanted where its middle would stand with nobody else there
 * @param taken where others stand
 * @returns its middle
 */
export function placeFor(
  canvas: Canvas,
  size: { widthPx: number; heightPx: number },
  wanted: { xPx: number; yPx: number },
  taken: readonly CanvasBox[],
  zones: readonly Zone[],
): { xPx: number; yPx: number } {
  const others = [...taken, ...zones.filter(({ purpose }) => purpose !== 'free').map(boxOfZone)]
  const safe = safeArea(canvas)
  const boxAt = (xPx: number, yPx: number): CanvasBox => ({
    left: xPx - size.widthPx / 2,
    right: xPx + size.widthPx / 2,
    top: yPx - size.heightPx / 2,
    bottom: yPx + size.heightPx / 2,
  })
  const along = (low: number, high: number, half: number, at: number) => {
    const [first, last] = [low + half, high - half]
    // What is larger than the room stands in its middle.
    if (first >= last) return [(low + high) / 2]
    const inside = Math.min(last, Math.max(first, at))
    return [inside, ...Array.from({ length: steps + 1 }, (_, step) => first + ((last - first) * step) / steps)]
  }
  let best = wanted
  let least = Infinity
  for (const yPx of along(safe.top, safe.bottom, size.heightPx / 2, wanted.yPx)) {
    for (const xPx of along(safe.left, safe.right, size.widthPx / 2, wanted.xPx)) {
      const box = boxAt(xPx, yPx)
      const covered = others.reduce((sum, other) => sum + sharedArea(box, other), 0)
      // A square pixel that is covered is worse than any way.
      const way = Math.hypot(xPx - wanted.xPx, yPx - wanted.yPx) / (canvas.widthPx + canvas.heightPx)
      if (covered + way < least) {
        least = covered + way
        best = { xPx: Math.round(xPx), yPx: Math.round(yPx) }
      }
    }
  }
  return best
}
