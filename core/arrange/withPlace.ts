import type { Canvas } from '../composition/canvas.ts'
import type { CanvasBox } from '../composition/canvasBox.ts'
import type { Zone } from '../composition/zone.ts'
import { isVisiblePart, type Part } from '../score/parts/part.ts'
import { kindOfPart } from '../score/parts/partKinds.ts'
import { placeFor } from './placeFor.ts'

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
  if (!isVisiblePart(part)) return part
  const size = kindOfPart(part).usualSize(part)
  if (!size || part.place.origin !== 'centre') return part
  return { ...part, place: { ...part.place, ...placeFor(canvas, size, part.place, taken, zones) } }
}
