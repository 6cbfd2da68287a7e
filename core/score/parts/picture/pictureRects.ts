import type { Picture } from './schema.ts'

interface Rect {
  x: number
  y: number
  width: number
  height: number
}

/**
 * Which rectangle of a file is drawn into which rectangle of the part's box.
 * @returns `from` in the file's pixels, `to` in the box's; a file without extent is drawn nowhere
 */
export function pictureRects(
  file: { widthPx: number; heightPx: number },
  box: { widthPx: number; heightPx: number },
  fit: Picture['fit'],
  crop: Picture['crop'],
): { from: Rect; to: Rect } {
  const from = {
    x: file.widthPx * crop.left,
    y: file.heightPx * crop.top,
    width: file.widthPx * (1 - crop.left - crop.right),
    height: file.heightPx * (1 - crop.top - crop.bottom),
  }
  const whole = { x: 0, y: 0, width: box.widthPx, height: box.heightPx }
  if (fit === 'stretch' || from.width <= 0 || from.height <= 0) return { from, to: whole }
  if (fit === 'contain') {
    const scale = Math.min(box.widthPx / from.width, box.heightPx / from.height)
    const width = from.width * scale
    const height = from.height * scale
    return { from, to: { x: (box.widthPx - width) / 2, y: (box.heightPx - height) / 2, width, height } }
  }
  const scale = Math.max(box.widthPx / from.width, box.heightPx / from.height)
  const width = box.widthPx / scale
  const height = box.heightPx / scale
  return {
    from: { x: from.x + (from.width - width) / 2, y: from.y + (from.height - height) / 2, width, height },
    to: whole,
  }
}
