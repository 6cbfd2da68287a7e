import type { Canvas } from '../composition/canvas.ts'
import { safeAreaRatio, type CanvasBox } from '../composition/canvasBox.ts'

/** Where a dragged box comes to lie, and the guide lines that it snapped to (canvas pixels). */
export interface Snapped {
  dxPx: number
  dyPx: number
  guideX: number | null
  guideY: number | null
}

/**
 * Pulls a dragged box to the canvas's middle, to the edges of the safe area and to the edges and middles of other boxes
 * (parts, zones) where one of its own edges or its middle comes close. Linear in the number of others.
 * @param reachPx how close is close, in canvas pixels
 */
export function snapDrag(
  box: CanvasBox,
  dxPx: number,
  dyPx: number,
  canvas: Canvas,
  reachPx: number,
  others: readonly CanvasBox[] = [],
): Snapped {
  const middleX = (each: CanvasBox) => (each.left + each.right) / 2
  const middleY = (each: CanvasBox) => (each.top + each.bottom) / 2
  const x = snapAxis(
    [box.left, middleX(box), box.right],
    dxPx,
    [...guidesOf(canvas.widthPx), ...others.flatMap((each) => [each.left, middleX(each), each.right])],
    reachPx,
  )
  const y = snapAxis(
    [box.top, middleY(box), box.bottom],
    dyPx,
    [...guidesOf(canvas.heightPx), ...others.flatMap((each) => [each.top, middleY(each), each.bottom])],
    reachPx,
  )
  return { dxPx: x.by, dyPx: y.by, guideX: x.guide, guideY: y.guide }
}

function guidesOf(side: number): number[] {
  return [side / 2, side * safeAreaRatio, side * (1 - safeAreaRatio)]
}

function snapAxis(
  edges: readonly number[],
  by: number,
  guides: readonly number[],
  reachPx: number,
): { by: number; guide: number | null } {
  let best: { by: number; guide: number | null; distance: number } = { by, guide: null, distance: reachPx }
  for (const guide of guides) {
    for (const edge of edges) {
      const distance = Math.abs(edge + by - guide)
      if (distance < best.distance) best = { by: guide - edge, guide, distance }
    }
  }
  return best
}
