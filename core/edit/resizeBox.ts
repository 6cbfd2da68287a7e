import { originRatio } from '../composition/originRatio.ts'
import type { Place } from '../composition/place.ts'

/** A box on the stage: its size, its turn about its middle, and the place on which its origin lies. */
export interface StageBox {
  place: Place
  widthPx: number
  heightPx: number
  rotationDeg: number
}

/** Which side or corner is pulled: −1 left / top, 0 neither, 1 right / bottom. */
export interface Grip {
  x: -1 | 0 | 1
  y: -1 | 0 | 1
}

const leastPx = 8

/**
 * Pulls a side or corner of a box by a way on the canvas; what lies opposite stays where it is, however the box is
 * turned.
 * @param keepsShape a corner changes both sides in proportion
 */
export function resizeBox(box: StageBox, grip: Grip, dxPx: number, dyPx: number, keepsShape: boolean): StageBox {
  const radians = (box.rotationDeg * Math.PI) / 180
  const cos = Math.cos(radians)
  const sin = Math.sin(radians)
  // The way in the box's own directions.
  const alongX = dxPx * cos + dyPx * sin
  const alongY = -dxPx * sin + dyPx * cos
  let widthPx = Math.max(leastPx, box.widthPx + alongX * grip.x)
  let heightPx = Math.max(leastPx, box.heightPx + alongY * grip.y)
  if (keepsShape && grip.x !== 0 && grip.y !== 0) {
    const scale = Math.max(widthPx / box.widthPx, heightPx / box.heightPx)
    widthPx = box.widthPx * scale
    heightPx = box.heightPx * scale
  }
  const grownX = ((widthPx - box.widthPx) * grip.x) / 2
  const grownY = ((heightPx - box.heightPx) * grip.y) / 2
  const middle = middleOf(box)
  return withMiddle(
    { ...box, widthPx: Math.round(widthPx), heightPx: Math.round(heightPx) },
    middle.xPx + grownX * cos - grownY * sin,
    middle.yPx + grownX * sin + grownY * cos,
  )
}

export function middleOf({ place, widthPx, heightPx }: StageBox): { xPx: number; yPx: number } {
  const ratio = originRatio[place.origin]
  return { xPx: place.xPx + (0.5 - ratio.x) * widthPx, yPx: place.yPx + (0.5 - ratio.y) * heightPx }
}

function withMiddle(box: StageBox, xPx: number, yPx: number): StageBox {
  const ratio = originRatio[box.place.origin]
  return {
    ...box,
    place: {
      ...box.place,
      xPx: Math.round(xPx - (0.5 - ratio.x) * box.widthPx),
      yPx: Math.round(yPx - (0.5 - ratio.y) * box.heightPx),
    },
  }
}

/**
 * The turn that points from a box's middle to a point; upright is 0. Snaps to steps of 15° within 3°, unless told not
 * to.
 */
export function turnTowards(box: StageBox, xPx: number, yPx: number, snaps: boolean): number {
  const middle = middleOf(box)
  const deg = (Math.atan2(yPx - middle.yPx, xPx - middle.xPx) * 180) / Math.PI + 90
  const normal = ((((deg + 180) % 360) + 360) % 360) - 180
  const step = Math.round(normal / 15) * 15
  return snaps && Math.abs(normal - step) < 3 ? step : Math.round(normal * 10) / 10
}
