import type { Origin } from './place.ts'

/** Each origin as ratios of the part's width and height, 0 = left / top, 1 = right / bottom. */
export const originRatio: Record<Origin, { x: 0 | 0.5 | 1; y: 0 | 0.5 | 1 }> = {
  topLeft: { x: 0, y: 0 },
  top: { x: 0.5, y: 0 },
  topRight: { x: 1, y: 0 },
  left: { x: 0, y: 0.5 },
  centre: { x: 0.5, y: 0.5 },
  right: { x: 1, y: 0.5 },
  bottomLeft: { x: 0, y: 1 },
  bottom: { x: 0.5, y: 1 },
  bottomRight: { x: 1, y: 1 },
}
