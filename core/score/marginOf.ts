import type { Sides } from './mediaFacts.ts'

interface Extent {
  widthPx: number
  heightPx: number
}

/** How much of each side of a file lies outside a box in it, as ratios. */
export function marginOf(box: Extent & { xPx: number; yPx: number }, file: Extent): Sides {
  return {
    left: box.xPx / file.widthPx,
    top: box.yPx / file.heightPx,
    right: 1 - (box.xPx + box.widthPx) / file.widthPx,
    bottom: 1 - (box.yPx + box.heightPx) / file.heightPx,
  }
}
