import { hexOfRgb } from './oklch.ts'

const levels = 4
const coloursMax = 6
/** A colour that covers less than this share of what is opaque is not one that text would stand on. */
const leastShare = 0.04

/**
 * The few colours that cover most of a picture: its opaque pixels are sorted into a coarse grid of red, green and blue,
 * and the fullest cells answer with their mean. Linear in the number of pixels.
 * @param rgba 8-bit, four numbers a pixel
 * @returns at most six `#RRGGBB`, the largest first
 */
export function coloursOf(rgba: Uint8ClampedArray): string[] {
  const cells = new Map<number, [red: number, green: number, blue: number, count: number]>()
  let opaque = 0
  for (let at = 0; at + 3 < rgba.length; at += 4) {
    if ((rgba[at + 3] ?? 0) < 128) continue
    opaque++
    const [red = 0, green = 0, blue = 0] = rgba.subarray(at, at + 3)
    const key = (((red * levels) >> 8) * levels + ((green * levels) >> 8)) * levels + ((blue * levels) >> 8)
    const cell = cells.get(key)
    if (cell) {
      cell[0] += red
      cell[1] += green
      cell[2] += blue
      cell[3]++
    } else cells.set(key, [red, green, blue, 1])
  }
  return [...cells.values()]
    .filter((cell) => cell[3] / opaque >= leastShare)
    .sort((a, b) => b[3] - a[3])
    .slice(0, coloursMax)
    .map(([red, green, blue, count]) => hexOfRgb([red / count / 255, green / count / 255, blue / count / 255]))
}
