import type { Canvas } from '../composition/canvas.ts'

type Sides = Pick<Canvas, 'widthPx' | 'heightPx'>

/** Whether what was laid out for one canvas stands as well on another: their sides are alike within a tenth. */
export function hasShapeOf(one: Sides, other: Sides): boolean {
  const ratio = one.widthPx / one.heightPx / (other.widthPx / other.heightPx)
  return ratio > 0.9 && ratio < 1.1
}
