import { isBounded } from './shownKinds.ts'
import type { SceneState, VisualState } from './sceneState.ts'
import type { Matrix } from './visualBase.ts'

/** A point on the canvas, in canvas pixels. */
export interface CanvasPoint {
  xPx: number
  yPx: number
}

/** Where a point of what was drawn, from its own top left, lies on the canvas. */
export const pointOn = ([a, b, c, d, e, f]: Matrix, xPx: number, yPx: number): CanvasPoint => ({
  xPx: a * xPx + c * yPx + e,
  yPx: b * xPx + d * yPx + f,
})

/** The four corners of what was drawn, clockwise from its own top left. */
export function cornersOf({
  matrix,
  widthPx,
  heightPx,
}: Pick<VisualState, 'matrix' | 'widthPx' | 'heightPx'>): CanvasPoint[] {
  const at = (x: number, y: number) => pointOn(matrix, x, y)
  return [at(0, 0), at(widthPx, 0), at(widthPx, heightPx), at(0, heightPx)]
}

/**
 * The part that is hit: the front-most whose box holds the point; null for none. Particles fly everywhere and are hit
 * nowhere.
 */
export function hitTest(scene: SceneState, point: CanvasPoint): string | null {
  for (const visual of [...scene.visuals].reverse()) {
    if (!isBounded(visual)) continue
    const local = pointWithin(visual.matrix, point)
    if (local && local.xPx >= 0 && local.xPx <= visual.widthPx && local.yPx >= 0 && local.yPx <= visual.heightPx)
      return visual.partId
  }
  return null
}

/** The other way round; null for what was drawn without any extent. */
export function pointWithin([a, b, c, d, e, f]: Matrix, { xPx, yPx }: CanvasPoint): CanvasPoint | null {
  const determinant = a * d - b * c
  if (Math.abs(determinant) < 1e-9) return null
  const x = xPx - e
  const y = yPx - f
  return { xPx: (d * x - c * y) / determinant, yPx: (a * y - b * x) / determinant }
}
