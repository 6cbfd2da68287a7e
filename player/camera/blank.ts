/** An empty canvas of a size, in whole pixels, one at least. */
export function blank(widthPx: number, heightPx: number): HTMLCanvasElement {
  const made = document.createElement('canvas')
  made.width = Math.max(1, Math.round(widthPx))
  made.height = Math.max(1, Math.round(heightPx))
  return made
}
