import type { Canvas } from '../../../composition/canvas.ts'
import { originRatio } from '../../../composition/originRatio.ts'
import type { Place } from '../../../composition/place.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedBackdrop } from './resolveBackdrop.ts'

export interface BackdropState extends VisualBase {
  kind: 'backdrop'
}

/** A hugged part at rest: where it stands and how large it is. */
export interface Hugged {
  place: Place
  widthPx: number
  heightPx: number
}

/**
 * The plate at a moment inside its clip. It hugs the *resting* boxes of its parts, so that it does not wobble with
 * their entrances; with nothing to hug it has its own size and place.
 */
export function evaluateBackdrop(
  part: ResolvedBackdrop,
  hugged: readonly Hugged[],
  tMs: number,
  canvas: Canvas,
): BackdropState {
  const bounds = boundsOf(hugged)
  const box = bounds
    ? {
        widthPx: bounds.right - bounds.left + 2 * part.paddingPx,
        heightPx: bounds.bottom - bounds.top + 2 * part.paddingPx,
      }
    : { widthPx: part.widthPx, heightPx: part.heightPx }
  const place: Place = bounds
    ? { xPx: bounds.left - part.paddingPx, yPx: bounds.top - part.paddingPx, origin: 'topLeft' }
    : part.place
  return { kind: 'backdrop', ...standingAt({ ...part, place }, box, tMs, canvas) }
}

function boundsOf(hugged: readonly Hugged[]): { left: number; top: number; right: number; bottom: number } | null {
  const filled = hugged.filter((each) => each.widthPx > 0 && each.heightPx > 0)
  if (filled.length === 0) return null
  const bounds = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity }
  for (const each of filled) {
    const ratio = originRatio[each.place.origin]
    const left = each.place.xPx - ratio.x * each.widthPx
    const top = each.place.yPx - ratio.y * each.heightPx
    bounds.left = Math.min(bounds.left, left)
    bounds.top = Math.min(bounds.top, top)
    bounds.right = Math.max(bounds.right, left + each.widthPx)
    bounds.bottom = Math.max(bounds.bottom, top + each.heightPx)
  }
  return bounds
}
