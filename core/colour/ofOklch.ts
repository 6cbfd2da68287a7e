import type { Oklch, Rgb } from './oklch.ts'

const gammaOf = (linear: number): number => (linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055)

/** OKLCH as gamma-encoded sRGB, which may lie outside of 0…1 (the inverse of `oklchOf`, same source). */
function rgbOutside({ l, c, h }: Oklch): Rgb {
  const a = c * Math.cos((h * Math.PI) / 180)
  const b = c * Math.sin((h * Math.PI) / 180)
  const long = (l + 0.3963377774 * a + 0.2158037573 * b) ** 3
  const middle = (l - 0.1055613458 * a - 0.0638541728 * b) ** 3
  const short = (l - 0.0894841775 * a - 1.291485548 * b) ** 3
  return [
    gammaOf(4.0767416621 * long - 3.3077115913 * middle + 0.2309699292 * short),
    gammaOf(-1.2684380046 * long + 2.6097574011 * middle - 0.3413193965 * short),
    gammaOf(-0.0041960863 * long - 0.7034186147 * middle + 1.707614701 * short),
  ]
}

const margin = 1e-4
const isInside = (rgb: Rgb) => rgb.every((channel) => channel >= -margin && channel <= 1 + margin)

/** The nearest colour of the same lightness and hue that a screen can show: chroma is lowered until it fits. */
export function rgbOfOklch(colour: Oklch): Rgb {
  const wanted = rgbOutside(colour)
  if (isInside(wanted)) return wanted
  let [inside, outside] = [0, colour.c]
  for (let step = 0; step < 16; step++) {
    const c = (inside + outside) / 2
    if (isInside(rgbOutside({ ...colour, c }))) inside = c
    else outside = c
  }
  return rgbOutside({ ...colour, c: inside })
}
