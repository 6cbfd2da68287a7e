import type { Canvas } from '../composition/canvas.ts'
import type { CanvasBox } from '../composition/canvasBox.ts'
import type { Zone } from '../composition/zone.ts'
import { isTextPart, isVisiblePart, type Part } from '../parts/part.ts'
import { placeFor } from './placeFor.ts'

/** Letters that a line is thought to have while nobody knows; half an em each. */
const usualLetters = 14
const letterEm = 0.52

/**
 * A new part where there is room for it. What has no place of its own (sounds, a plate that hugs, particles over the
 * canvas, a line that runs along its foot) stays as it is.
 * @param taken where others stand while they stay
 */
export function withPlace<P extends Part>(
  part: P,
  canvas: Canvas,
  taken: readonly CanvasBox[],
  zones: readonly Zone[],
): P {
  const size = sizeOf(part)
  if (!size || !isVisiblePart(part) || part.place.origin !== 'centre') return part
  return { ...part, place: { ...part.place, ...placeFor(canvas, size, part.place, taken, zones) } }
}

function sizeOf(part: Part): { widthPx: number; heightPx: number } | null {
  if (part.kind === 'ticker' || part.kind === 'particles') return null
  if (part.kind === 'backdrop' && part.hugs.length > 0) return null
  if (isTextPart(part)) {
    const lines = part.fit === 'wrap' ? Math.min(2, part.maxLines) : 1
    const lineWidth = part.kind === 'message' ? part.maxWidthPx : part.sizePx * letterEm * usualLetters
    return { widthPx: Math.min(part.maxWidthPx, lineWidth), heightPx: part.sizePx * part.lineHeight * lines }
  }
  return 'widthPx' in part ? part : null
}
