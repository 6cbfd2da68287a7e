import { contrast } from '../colour/contrast.ts'
import { rgbOfOklch } from '../colour/ofOklch.ts'
import { hexOfRgb, hueDistance, oklchOf, rgbOfHex, type Oklch } from '../colour/oklch.ts'
import type { Palette } from './schema.ts'

/** What is read keeps this contrast to what lies behind it: body text after WCAG 2.2 § 1.4.6 and § 1.4.3. */
const wordsRatio = 7
const accentRatio = 4.5
/** Where no second colour is given, what glows lies so far around the circle of hues. */
const glowTurnDeg = 35
/** A picture's second colour counts as one from this distance on. */
const otherHueDeg = 40

const hexOf = (colour: Oklch) => hexOfRgb(rgbOfOklch(colour))

/** The colour, made lighter until it can be read before all of what lies behind it; white can before anything dark. */
function readable(colour: Oklch, behind: readonly string[], ratio: number): string {
  for (let l = colour.l; l < 1; l += 0.01) {
    const hex = hexOf({ ...colour, l })
    if (behind.every((each) => contrast(hex, each) >= ratio)) return hex
  }
  return '#FFFFFF'
}

/**
 * A palette around one colour, in OKLCH: dark plates and outlines of its hue, light words with a breath of it, the
 * colour itself as the accent. Words have a contrast of 7 : 1 and the accent one of 4.5 : 1 to plate and outline,
 * whatever the colour.
 * @param seed `#RRGGBB`
 * @param second the colour that glows; absent: a neighbour of the first
 */
export function paletteFrom(seed: string, second?: string): Palette {
  const { l, c, h } = oklchOf(rgbOfHex(seed))
  const tinge = Math.min(c, 0.16)
  const plate = hexOf({ l: 0.18, c: tinge * 0.3, h })
  const outline = hexOf({ l: 0.24, c: tinge * 0.4, h })
  const behind = [plate, outline]
  const glow = second === undefined ? { l: Math.max(l, 0.7), c, h: (h + glowTurnDeg) % 360 } : oklchOf(rgbOfHex(second))
  return {
    plate,
    outline,
    headline: readable({ l: 0.97, c: tinge * 0.18, h }, behind, wordsRatio),
    body: readable({ l: 0.91, c: tinge * 0.3, h }, behind, wordsRatio),
    accent: readable({ l: Math.max(l, 0.62), c: Math.max(c, 0.02), h }, behind, accentRatio),
    glow: readable({ ...glow, l: Math.max(glow.l, 0.6) }, behind, accentRatio),
  }
}

/** The same from the colours of a picture, the one that it is remembered by first: another hue among them glows. */
export function paletteFromColours(colours: readonly string[]): Palette | null {
  const [first] = colours
  if (first === undefined) return null
  const { h } = oklchOf(rgbOfHex(first))
  const other = colours.find((each) => {
    const colour = oklchOf(rgbOfHex(each))
    return colour.c > 0.05 && hueDistance(colour.h, h) >= otherHueDeg
  })
  return paletteFrom(first, other)
}
