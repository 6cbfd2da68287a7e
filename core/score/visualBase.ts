/** A 2D affine matrix as CSS writes it: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number]

/** How much of a box is cut away at each side, as ratios of it. */
export type Cut = readonly [top: number, right: number, bottom: number, left: number]

/** What every drawn part has. */
export interface VisualBase {
  partId: string
  /** Maps the part's own box (0,0 top left, `widthPx` × `heightPx`) onto the canvas. */
  matrix: Matrix
  widthPx: number
  heightPx: number
  opacity: number
  blurPx: number
  cut: Cut | null
}
