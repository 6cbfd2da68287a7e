/** Linear or gamma-encoded red, green and blue in 0…1. */
export type Rgb = readonly [red: number, green: number, blue: number]

/** Lightness 0…1, chroma (about 0…0.37 in sRGB), hue in degrees 0…360. */
export interface Oklch {
  l: number
  c: number
  h: number
}

export function rgbOfHex(hex: string): Rgb {
  const value = Number.parseInt(hex.slice(1, 7), 16)
  return [((value >> 16) & 255) / 255, ((value >> 8) & 255) / 255, (value & 255) / 255]
}

export function hexOfRgb(rgb: Rgb): string {
  return (
    '#' +
    rgb
      .map((channel) =>
        Math.round(Math.min(1, Math.max(0, channel)) * 255)
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')
      .toUpperCase()
  )
}

/** sRGB's transfer function, IEC 61966-2-1. */
export function linearOf(channel: number): number {
  return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4
}

/** OKLab after Björn Ottosson, "A perceptual color space for image processing" (2020): lightness, a, b. */
export function oklabOf([red, green, blue]: Rgb): [lightness: number, a: number, b: number] {
  const r = linearOf(red)
  const g = linearOf(green)
  const b = linearOf(blue)
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b)
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b)
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b)
  const lightness = 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s
  const a = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s
  const bb = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s
  return [lightness, a, bb]
}

/** OKLab in polar form. */
export function oklchOf(rgb: Rgb): Oklch {
  const [l, a, b] = oklabOf(rgb)
  return { l, c: Math.hypot(a, b), h: ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360 }
}

/** The smaller angle between two hues, 0…180. */
export function hueDistance(a: number, b: number): number {
  const around = Math.abs(a - b) % 360
  return around > 180 ? 360 - around : around
}
