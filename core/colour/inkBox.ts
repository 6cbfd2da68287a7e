/** Where the artwork of a picture is, in its pixels. */
export interface Ink {
  xPx: number
  yPx: number
  widthPx: number
  heightPx: number
}

/** Less than this of 255 is not seen: exporters leave a haze where nothing was drawn. */
export const inkAlpha = 8

/**
 * Grows a box by the ink of one frame.
 * @param isInked whether the pixel at an offset (rows one after another) is part of the artwork
 * @returns the box around both; `ink` as it was for an empty frame. Stops at the first pixel from each side; linear at
 * worst.
 */
export function growInk(
  ink: Ink | null,
  widthPx: number,
  heightPx: number,
  isInked: (offset: number) => boolean,
): Ink | null {
  const rowHasInk = (y: number) => {
    for (let x = 0; x < widthPx; x++) if (isInked(y * widthPx + x)) return true
    return false
  }
  let top = 0
  while (top < heightPx && !rowHasInk(top)) top += 1
  if (top === heightPx) return ink
  let bottom = heightPx - 1
  while (!rowHasInk(bottom)) bottom -= 1
  const columnHasInk = (x: number) => {
    for (let y = top; y <= bottom; y++) if (isInked(y * widthPx + x)) return true
    return false
  }
  let left = 0
  while (!columnHasInk(left)) left += 1
  let right = widthPx - 1
  while (!columnHasInk(right)) right -= 1
  const xPx = Math.min(left, ink?.xPx ?? left)
  const yPx = Math.min(top, ink?.yPx ?? top)
  const endX = Math.max(right + 1, ink ? ink.xPx + ink.widthPx : 0)
  const endY = Math.max(bottom + 1, ink ? ink.yPx + ink.heightPx : 0)
  return { xPx, yPx, widthPx: endX - xPx, heightPx: endY - yPx }
}
