import sharp from 'sharp'
import { coloursOf } from '../../../core/colour/coloursOf.ts'
import { dominantColour } from '../../../core/colour/dominantColour.ts'
import type { InkBox, Seen } from '../../../contract/media.ts'

/** Less than this of 255 is not seen: exporters leave a haze where nothing was drawn. */
const inkAlpha = 8
const posterSidePx = 360
const stripHeightPx = 64
const stripFrames = 8

/** Grows a box by the ink of one frame, given by its alpha. Stops at the first pixel from each side; linear at worst. */
export function growInk(ink: InkBox | null, alpha: Uint8Array, widthPx: number, heightPx: number, isInked = (offset: number) => (alpha[offset] as number) >= inkAlpha): InkBox | null {
  const rowHasInk = (y: number) => {
    for (let x = 0; x < widthPx; x++) if (isInked(y * widthPx + x)) return true
    return false
  }
  let top = 0
  while (top < heightPx && !rowHasInk(top)) top += 1
  if (top === heightPx) return ink
  let bottom = heightPx - 1
  while (!rowHasInk(bottom)) bottom -= 1
  const columnHasInk = (x: number) => {
    for (let y = top; y <= bottom; y++) if (isInked(y * widthPx + x)) return true
    return false
  }
  let left = 0
  while (!columnHasInk(left)) left += 1
  let right = widthPx - 1
  while (!columnHasInk(right)) right -= 1
  const xPx = Math.min(left, ink?.xPx ?? left)
  const yPx = Math.min(top, ink?.yPx ?? top)
  const endX = Math.max(right + 1, ink ? ink.xPx + ink.widthPx : 0)
  const endY = Math.max(bottom + 1, ink ? ink.yPx + ink.heightPx : 0)
  return { xPx, yPx, widthPx: endX - xPx, heightPx: endY - yPx }
}

/** Frames at a height of 64 pixels, one under the other, RGBA. */
export interface SmallFrames {
  rgba: Uint8Array
  widthPx: number
  count: number
}

/** The frames of a small picture of the course of an animation, spread evenly; a still gives one. */
export async function stripOf({ rgba, widthPx, count }: SmallFrames): Promise<Buffer> {
  const shown = Math.min(stripFrames, count)
  const rowBytes = widthPx * 4
  const strip = Buffer.alloc(rowBytes * shown * stripHeightPx)
  for (let index = 0; index < shown; index++) {
    const frame = Math.floor(((index + 0.5) * count) / shown)
    for (let y = 0; y < stripHeightPx; y++) {
      const from = (frame * stripHeightPx + y) * rowBytes
      strip.set(rgba.subarray(from, from + rowBytes), (y * shown + index) * rowBytes)
    }
  }
  return sharp(strip, { raw: { width: widthPx * shown, height: stripHeightPx, channels: 4 } }).webp({ quality: 80 }).toBuffer()
}

/** The frame that shows most: the first of an entrance is often empty. */
export function fullestFrame({ rgba, widthPx, count }: SmallFrames): number {
  const pixels = widthPx * stripHeightPx
  let best = 0
  let most = -1
  for (let frame = 0; frame < count; frame++) {
    let sum = 0
    for (let at = frame * pixels * 4 + 3; at < (frame + 1) * pixels * 4; at += 4) sum += rgba[at] as number
    if (sum > most) [best, most] = [frame, sum]
  }
  return best
}

export function colourFacts(rgba: Uint8Array): Pick<Seen, 'dominant' | 'colours'> {
  const clamped = new Uint8ClampedArray(rgba.buffer, rgba.byteOffset, rgba.byteLength)
  return { dominant: dominantColour(clamped), colours: coloursOf(clamped) }
}

export const smallHeight = stripHeightPx

/** A picture as it is shown in lists. */
export function posterOf(picture: sharp.Sharp): Promise<Buffer> {
  return picture.resize(posterSidePx, posterSidePx, { fit: 'inside', withoutEnlargement: true }).webp({ quality: 82 }).toBuffer()
}
