import { linearOf, rgbOfHex, type Rgb } from './oklch.ts'

/** Relative luminance after WCAG 2.2, 0…1. */
export function luminance([red, green, blue]: Rgb): number {
  return 0.2126 * linearOf(red) + 0.7152 * linearOf(green) + 0.0722 * linearOf(blue)
}

/** WCAG's contrast ratio of two colours, 1…21. */
export function contrast(first: string, second: string): number {
  const a = luminance(rgbOfHex(first))
  const b = luminance(rgbOfHex(second))
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
}

/** One colour over another at an opacity, in gamma-encoded sRGB as browsers blend. */
export function over(above: Rgb, below: Rgb, opacity: number): Rgb {
  return [
    above[0] * opacity + below[0] * (1 - opacity),
    above[1] * opacity + below[1] * (1 - opacity),
    above[2] * opacity + below[2] * (1 - opacity),
  ]
}
