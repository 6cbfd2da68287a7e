import { oklabOf, oklchOf, type Rgb } from './oklch.ts'
import { applyWash, lumaOf, type Wash } from './wash.ts'

/**
 * What is done to a picture's colours: the hue is turned, saturation and brightness are multiplied. Neutral: 0, 1, 1.
 * Before that it may be brought to shades of one colour.
 */
export interface Tint {
  wash?: Wash
  hueDeg: number
  saturation: number
  brightness: number
}

export const noTint: Readonly<Tint> = { hueDeg: 0, saturation: 1, brightness: 1 }

const turnsNothing = ({ hueDeg, saturation, brightness }: Tint) =>
  hueDeg % 360 === 0 && saturation === 1 && brightness === 1

/** Two tints one after the other, as one. Exact for saturation and brightness; angles add. */
export function combineTints(first: Tint, second: Tint): Tint {
  const wash = second.wash ?? first.wash
  return {
    ...(wash ? { wash } : {}),
    hueDeg: first.hueDeg + second.hueDeg,
    saturation: first.saturation * second.saturation,
    brightness: first.brightness * second.brightness,
  }
}

/**
 * The tint as CSS's filter functions, in the order in which `applyTint` computes them; empty for none. Without its wash,
 * which only a filter of a page's own can be (`player/washFilter.ts`).
 */
export function filterOfTint(tint: Tint): string {
  if (turnsNothing(tint)) return ''
  const rounded = (value: number) => Math.round(value * 1000) / 1000
  return `hue-rotate(${rounded(tint.hueDeg)}deg) saturate(${rounded(tint.saturation)}) brightness(${rounded(tint.brightness)})`
}

const clamp = (channel: number) => Math.min(1, Math.max(0, channel))

/**
 * What a tint makes of one colour: the matrices of the Filter Effects specification (§ 10.2 hue-rotate, saturate,
 * brightness), applied in gamma-encoded sRGB and clamped after each step, as browsers do.
 */
export function applyTint(rgb: Rgb, tint: Tint): Rgb {
  const [red, green, blue] = tint.wash ? applyWash(rgb, tint.wash) : rgb
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
  const grey = lumaOf(turned)
  return turned.map((channel) => clamp(clamp(grey + (channel - grey) * s) * tint.brightness)) as unknown as Rgb
}

const maxSaturation = 3
const maxBrightness = 3

/** Below it a colour is grey to the eye, and has no hue to turn. OKLCH chroma. */
const greyBelow = 0.02

/** Whether artwork of a colour stays grey, white or black whatever its hue is turned to. */
export const hasNoHue = (rgb: Rgb): boolean => oklchOf(rgb).c < greyBelow

/** How far apart two colours look: the distance in OKLab, in hundredths. */
export const colourDistance = (one: Rgb, other: Rgb): number => distanceTo(oklabOf(other))(one)

const distanceTo =
  ([l, a, b]: readonly [number, number, number]) =>
  (rgb: Rgb): number => {
    const [otherL, otherA, otherB] = oklabOf(rgb)
    return 100 * Math.hypot(l - otherL, a - otherA, b - otherB)
  }

const hueSteps = 24
const saturations = [0, 0.4, 0.8, 1.2, 2, maxSaturation]

/**
 * The tint that brings one colour as near to another as hue, saturation and brightness can: the smallest distance in
 * OKLab, found by trying turns and saturations all around, each with the brightness that comes nearest, and going on
 * from the best in ever smaller steps. A grey has no hue to turn and keeps its own. Constant cost: about three
 * thousand colours, a few milliseconds.
 */
export function tintTowards(from: Rgb, to: Rgb): Tint {
  const toWanted = distanceTo(oklabOf(to))
  const distanceAt = (tint: Tint) => toWanted(applyTint(from, tint))
  const withBrightness = (tint: Tint): Tint => ({
    ...tint,
    brightness: lowest(0.05, maxBrightness, 7, 4, (brightness) => distanceAt({ ...tint, brightness })),
  })
  if (hasNoHue(from)) return refined(withBrightness({ ...noTint }), distanceAt, ['brightness'])
  let best: Tint = withBrightness({ ...noTint })
  let nearest = distanceAt(best)
  for (let step = 0; step < hueSteps; step++)
    for (const saturation of saturations) {
      const tint = withBrightness({ hueDeg: (step * 360) / hueSteps, saturation, brightness: 1 })
      const distance = distanceAt(tint)
      if (distance < nearest) [best, nearest] = [tint, distance]
    }
  return refined(best, distanceAt, ['hueDeg', 'saturation', 'brightness'])
}

type Turned = 'hueDeg' | 'saturation' | 'brightness'
const limits: Record<Turned, readonly [least: number, most: number, step: number]> = {
  hueDeg: [-360, 720, 5],
  saturation: [0, maxSaturation, 0.15],
  brightness: [0.05, maxBrightness, 0.1],
}
const refinements = 14

/** The best near a tint: steps in every direction, halved where none of them comes nearer. */
function refined(start: Tint, distanceAt: (tint: Tint) => number, turned: readonly Turned[]): Tint {
  let best = start
  let nearest = distanceAt(start)
  for (let round = 0, scale = 1; round < refinements;) {
    const before = nearest
    for (const property of turned) {
      const [least, most, step] = limits[property]
      for (const by of [step * scale, -step * scale]) {
        const tint = { ...best, [property]: Math.min(most, Math.max(least, best[property] + by)) }
        const distance = distanceAt(tint)
        if (distance < nearest) [best, nearest] = [tint, distance]
      }
    }
    if (nearest < before) continue
    scale /= 2
    round += 1
  }
  return { ...best, hueDeg: ((best.hueDeg % 360) + 360) % 360 }
}

/** Where a function of one number is lowest: a scan over the range, then golden-section steps around the best. */
function lowest(from: number, to: number, steps: number, halvings: number, of: (value: number) => number): number {
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
  for (let step = 0; step < halvings; step++) {
    const left = low + (high - low) * 0.382
    const right = low + (high - low) * 0.618
    if (of(left) <= of(right)) high = right
    else low = left
  }
  const found = (low + high) / 2
  return of(found) <= bestOf ? found : best
}
