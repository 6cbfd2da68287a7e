import type { Canvas } from '../composition/canvas.ts'

/** Where a dragged box comes to lie, and the guide lines that it snapped to (canvas pixels). */
export interface Snapped {
  dxPx: number
  dyPx: number
  guideX: number | null
  guideY: number | null
}

/** The box of what is dragged, before dragging. */
export interface DraggedBox {
  left: number
  top: number
  right: number
  bottom: number
}

/** The safe area keeps this far from each edge, as a ratio of the side. */
export const safeAreaRatio = 0.05

/**
 * Pulls a dragged box to the canvas's middle and to the edges of the safe area where one of its own edges or its middle
 * comes close.
 * @param reachPx how close is close, in canvas pixels
 */
export function snapDrag(box: DraggedBox, dxPx: number, dyPx: number, canvas: Canvas, reachPx: number): Snapped {
  const x = snapAxis([box.left, (box.left + box.right) / 2, box.right], dxPx, canvas.widthPx, reachPx)
  const y = snapAxis([box.top, (box.top + box.bottom) / 2, box.bottom], dyPx, canvas.heightPx, reachPx)
  return { dxPx: x.by, dyPx: y.by, guideX: x.guide, guideY: y.guide }
}

function snapAxis(edges: readonly number[], by: number, side: number, reachPx: number): { by: number; guide: number | null } {
  const guides = [side / 2, side * safeAreaRatio, side * (1 - safeAreaRatio)]
  let best: { by: number; guide: number | null; distance: number } = { by, guide: null, distance: reachPx }
  for (const guide of guides) {
    for (const edge of edges) {
      const distance = Math.abs(edge + by - guide)
      if (distance < best.distance) best = { by: guide - edge, guide, distance }
    }
  }
  return best
}
