/** A part of a picture, in pixels. */
export interface PixelBox {
  xPx: number
  yPx: number
  widthPx: number
  heightPx: number
}

/**
 * The smallest box that holds every pixel in which two pictures differ, begun at an even place, as moving pictures want it. O(pixels).
 * @param before one number a pixel; null: nothing was there, all of it transparent
 * @returns null where they are the same
 */
export function changedBox(
  before: Uint32Array | null,
  after: Uint32Array,
  widthPx: number,
  heightPx: number,
): PixelBox | null {
  let [left, right, top, bottom] = [widthPx, -1, -1, -1]
  for (let y = 0; y < heightPx; y++) {
    const row = y * widthPx
    const differs = (x: number) => after[row + x] !== (before ? before[row + x] : 0)
    let first = 0
    while (first < widthPx && !differs(first)) first++
    if (first === widthPx) continue
    let last = widthPx - 1
    while (!differs(last)) last--
    left = Math.min(left, first)
    right = Math.max(right, last)
    if (top < 0) top = y
    bottom = y
  }
  if (top < 0) return null
  const [xPx, yPx] = [left - (left % 2), top - (top % 2)]
  return { xPx, yPx, widthPx: right - xPx + 1, heightPx: bottom - yPx + 1 }
}
