/** A frame as video coders take it: planes of 4:2:0, each after the other, the colours by BT.709 in limited range. */
export interface YuvFrame {
  colour: Uint8Array<ArrayBuffer>
  /** How opaque it is, as a frame of its own: the light is the alpha, its colours are none. */
  alpha: Uint8Array<ArrayBuffer>
}

/** Where nothing is seen, colours are those of the neighbours in a square of so many pixels; an even number. */
const tilePx = 16
const noColour = 128
const black = 16

/** Of 65,536: what red, green and blue have in the light. ITU-R BT.709-6, 3.2 and 3.4 (8 bit: 219 steps of light, 224 of colour). */
const [lightRed, lightGreen, lightBlue] = [11966, 40254, 4064]
const [half, whole] = [1 << 15, 16]
const lightOf = (r: number, g: number, b: number) =>
  black + ((lightRed * r + lightGreen * g + lightBlue * b + half) >> whole)
/** Light from 0 to 255, as differences of colour are taken from it. */
const fullLight = (r: number, g: number, b: number) => 0.2126 * r + 0.7152 * g + 0.0722 * b
const blueStep = 224 / 255 / 1.8556
const redStep = 224 / 255 / 1.5748

/**
 * Splits a picture into its colours and its alpha. Colours are not premultiplied. What is transparent has a colour too, which a
 * coder would carry into the edges of what is seen: it is given that of its neighbours. O(pixels); squares in which nothing is seen
 * cost a look.
 * @param pixels one number a pixel, red in its lowest byte, alpha in its highest, colours not premultiplied
 */
export function toYuv(pixels: Uint32Array, widthPx: number, heightPx: number): YuvFrame {
  const count = widthPx * heightPx
  const chroma = Math.ceil(widthPx / 2) * Math.ceil(heightPx / 2)
  const colour = new Uint8Array(count + 2 * chroma).fill(black, 0, count).fill(noColour, count)
  const alpha = new Uint8Array(count + 2 * chroma).fill(noColour, count)
  for (let top = 0; top < heightPx; top += tilePx)
    for (let left = 0; left < widthPx; left += tilePx) {
      const tile = { left, top, right: Math.min(left + tilePx, widthPx), bottom: Math.min(top + tilePx, heightPx) }
      const around = seenColour(pixels, widthPx, tile)
      if (around !== null) fillTile(pixels, widthPx, heightPx, tile, around, colour, alpha)
    }
  return { colour, alpha }
}

interface Tile {
  left: number
  top: number
  right: number
  bottom: number
}

/** What is seen of a square, as one opaque pixel; null: nothing. */
function seenColour(pixels: Uint32Array, widthPx: number, { left, top, right, bottom }: Tile): number | null {
  let red = 0
  let green = 0
  let blue = 0
  let weight = 0
  for (let y = top; y < bottom; y++)
    for (let at = y * widthPx + left, end = y * widthPx + right; at < end; at++) {
      const pixel = pixels[at] ?? 0
      const opacity = pixel >>> 24
      if (opacity === 0) continue
      red += (pixel & 255) * opacity
      green += ((pixel >> 8) & 255) * opacity
      blue += ((pixel >> 16) & 255) * opacity
      weight += opacity
    }
  if (weight === 0) return null
  return Math.round(red / weight) | (Math.round(green / weight) << 8) | (Math.round(blue / weight) << 16)
}

function fillTile(
  pixels: Uint32Array,
  widthPx: number,
  heightPx: number,
  { left, top, right, bottom }: Tile,
  around: number,
  colour: Uint8Array,
  alpha: Uint8Array,
): void {
  const chromaWidth = Math.ceil(widthPx / 2)
  const blueAt = widthPx * heightPx
  const redAt = blueAt + chromaWidth * Math.ceil(heightPx / 2)
  for (let y = top; y < bottom; y += 2)
    for (let x = left; x < right; x += 2) {
      let red = 0
      let green = 0
      let blue = 0
      let weight = 0
      for (let row = y; row < y + 2 && row < bottom; row++)
        for (let column = x; column < x + 2 && column < right; column++) {
          const at = row * widthPx + column
          const pixel = pixels[at] ?? 0
          const opacity = pixel >>> 24
          const shown = opacity === 0 ? around : pixel
          const r = shown & 255
          const g = (shown >> 8) & 255
          const b = (shown >> 16) & 255
          alpha[at] = opacity
          colour[at] = lightOf(r, g, b)
          red += r * opacity
          green += g * opacity
          blue += b * opacity
          weight += opacity
        }
      const r = weight > 0 ? red / weight : around & 255
      const g = weight > 0 ? green / weight : (around >> 8) & 255
      const b = weight > 0 ? blue / weight : (around >> 16) & 255
      const light = fullLight(r, g, b)
      const at = (y >> 1) * chromaWidth + (x >> 1)
      colour[blueAt + at] = Math.round(noColour + (b - light) * blueStep)
      colour[redAt + at] = Math.round(noColour + (r - light) * redStep)
    }
}
