import sharp, { type Sharp } from 'sharp'
import { coloursOf } from '../../../core/colour/coloursOf.ts'
import { dominantColour } from '../../../core/colour/dominantColour.ts'
import type { Seen } from '../../../contract/media.ts'

const posterSidePx = 360
const stripHeightPx = 64
const stripFrames = 8

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
  return sharp(strip, { raw: { width: widthPx * shown, height: stripHeightPx, channels: 4 } })
    .webp({ quality: 80 })
    .toBuffer()
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
export function posterOf(picture: Sharp): Promise<Buffer> {
  return picture
    .resize(posterSidePx, posterSidePx, { fit: 'inside', withoutEnlargement: true })
    .webp({ quality: 82 })
    .toBuffer()
}
