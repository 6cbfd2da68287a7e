import { hueDistance, oklchOf, type Rgb } from './oklch.ts'

/**
 * What is done to a picture's colours: the hue is turned, saturation and brightness are multiplied. Neutral: 0, 1, 1.
 */
export interface Tint {
  hueDeg: number
  saturation: number
  brightness: number
}

export const noTint: Readonly<Tint> = { hueDeg: 0, saturation: 1, brightness: 1 }

export function isNeutral(tint: Tint): boolean {
  return tint.hueDeg % 360 === 0 && tint.saturation === 1 && tint.brightness === 1
}

/** Two tints one after the other, as one. Exact for saturation and brightness; angles add. */
export function combineTints(first: Tint, second: Tint): Tint {
  return {
    hueDeg: first.hueDeg + second.hueDeg,
    saturation: first.saturation * second.saturation,
    brightness: first.brightness * second.brightness,
  }
}

/** The tint as CSS's filter functions, in the order in which `applyTint` computes them; empty for none. */
export function filterOfTint(tint: Tint): string {
  if (isNeutral(tint)) return ''
  const rounded = (value: number) => Math.round(value * 1000) / 1000
  return `hue-rotate(${rounded(tint.hueDeg)}deg) saturate(${rounded(tint.saturation)}) brightness(${rounded(tint.brightness)})`
}

const clamp = (channel: number) => Math.min(1, Math.max(0, channel))

/**
 * What a tint makes of one colour: the matrices of the Filter Effects specification (§ 10.2 hue-rotate, saturate,
 * brightness), applied in gamma-encoded sRGB and clamped after each step, as browsers do.
 */
export function applyTint([red, green, blue]: Rgb, tint: Tint): Rgb {
  const angle = (tint.hueDeg * Math.PI) / 180
  const cos = Math.cos(angle)
  const sin = Math.sin(angle)
  const turned: Rgb = [
    clamp(
      red * (0.213 + cos * 0.787 - sin * 0.213) +
        green * (0.715 - cos * 0.715 - sin * 0.715) +
        blue * (0.072 - cos * 0.072 + sin * 0.928),
    ),
    clamp(
      red * (0.213 - cos * 0.213 + sin * 0.143) +
        green * (0.715 + cos * 0.285 + sin * 0.14) +
        blue * (0.072 - cos * 0.072 - sin * 0.283),
    ),
    clamp(
      red * (0.213 - cos * 0.213 - sin * 0.787) +
        green * (0.715 - cos * 0.715 + sin * 0.715) +
        blue * (0.072 + cos * 0.928 + sin * 0.072),
    ),
  ]
  const s = tint.saturation
  const grey = 0.213 * turned[0] + 0.715 * turned[1] + 0.072 * turned[2]
  return turned.map((channel) => clamp(clamp(grey + (channel - grey) * s) * tint.brightness)) as unknown as Rgb
}

const maxSaturation = 3
const maxBrightness = 3

/**
 * The tint that brings one colour as near to another as hue, saturation and brightness can: a turn of the hue found by
 * scanning and halving, then saturation and brightness by the same, twice around because they touch each other.
 * Measured in OKLCH. A grey has no hue to turn and keeps its own. A dark colour that should become a very light one
 * gets as far as the greatest brightness brings it. Constant cost (about 500 colours).
 */
export function tintTowards(from: Rgb, to: Rgb): Tint {
  const wanted = oklchOf(to)
  const isGrey = oklchOf(from).c < 0.02
  let tint: Tint = { ...noTint }
  for (let round = 0; round < 3; round++) {
    if (!isGrey) {
      tint = {
        ...tint,
        hueDeg:
          lowest(0, 360, 48, (hueDeg) => hueDistance(oklchOf(applyTint(from, { ...tint, hueDeg })).h, wanted.h)) % 360,
      }
    }
    tint = {
      ...tint,
      brightness: lowest(0.05, maxBrightness, 24, (brightness) =>
        Math.abs(oklchOf(applyTint(from, { ...tint, brightness })).l - wanted.l),
      ),
    }
    if (!isGrey)
      tint = {
        ...tint,
        saturation: lowest(0, maxSaturation, 24, (saturation) =>
          Math.abs(oklchOf(applyTint(from, { ...tint, saturation })).c - wanted.c),
        ),
      }
  }
  return tint
}

/** Where a function of one number is lowest: a scan over the range, then golden-section steps around the best. */
function lowest(from: number, to: number, steps: number, of: (value: number) => number): number {
  const width = (to - from) / steps
  let best = from
  let bestOf = Infinity
  for (let step = 0; step <= steps; step++) {
    const value = from + step * width
    const result = of(value)
    if (result < bestOf) [best, bestOf] = [value, result]
  }
  let low = Math.max(from, best - width)
  let high = Math.min(to, best + width)
  for (let step = 0; step < 22; step++) {
    const left = low + (high - low) * 0.382
    const right = low + (high - low) * 0.618
    if (of(left) <= of(right)) high = right
    else low = left
  }
  const found = (low + high) / 2
  return of(found) <= bestOf ? found : best
}
