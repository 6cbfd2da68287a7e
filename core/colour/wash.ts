import type { Rgb } from './oklch.ts'

/**
 * A picture in shades of one colour: what is as light as `pivot` becomes it, darker goes to black, lighter to white.
 * Grey, white and black artwork gets a colour this way, which no turn of its hue can give it.
 */
export interface Wash {
  /** 0…1: the lightness (luma of gamma-encoded sRGB) that becomes the colour. */
  pivot: number
  rgb: Rgb
}

/** Filters read a wash from a table of so many steps; between them it is straight. */
const washSteps = 32

/** What red, green and blue add to lightness in the matrices of the Filter Effects specification. */
export const lumaShares: Rgb = [0.213, 0.715, 0.072]

/** How light a colour is to these matrices: 0…1. */
export const lumaOf = ([red, green, blue]: Rgb): number =>
  lumaShares[0] * red + lumaShares[1] * green + lumaShares[2] * blue

/** The wash that brings artwork of one colour to another. */
export const washTowards = (from: Rgb, to: Rgb): Wash => ({
  pivot: lumaOf(from),
  rgb: to,
})

/**
 * One channel of a wash as a table over lightness, from 0 to 1. The steps on both sides of the pivot are the colour
 * itself, so that it is met exactly wherever the pivot lies between them.
 */
export const washTable = (wash: Wash, channel: 0 | 1 | 2): number[] =>
  Array.from({ length: washSteps + 1 }, (_, step) => washedAt(wash, channel, step))

function washedAt({ pivot, rgb }: Wash, channel: 0 | 1 | 2, step: number): number {
  const value = rgb[channel]
  const [below, above] = [Math.floor(pivot * washSteps), Math.ceil(pivot * washSteps)]
  if (step < below) return (value * step) / below
  return step > above ? value + ((1 - value) * (step - above)) / (washSteps - above) : value
}

/** What a wash makes of one colour. */
export function applyWash(rgb: Rgb, wash: Wash): Rgb {
  const at = Math.min(1, Math.max(0, lumaOf(rgb))) * washSteps
  const step = Math.min(washSteps - 1, Math.floor(at))
  return ([0, 1, 2] as const).map((channel) => {
    const [from, to] = [washedAt(wash, channel, step), washedAt(wash, channel, step + 1)]
    return from + (to - from) * (at - step)
  }) as unknown as Rgb
}
