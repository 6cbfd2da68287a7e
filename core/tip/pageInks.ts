import { readableInk } from '../board/nameInk.ts'
import { contrast } from '../colour/contrast.ts'
import { rgbOfOklch } from '../colour/ofOklch.ts'
import { hexOfRgb, oklchOf, rgbOfHex } from '../colour/oklch.ts'
import type { Palette } from '../look/schema.ts'

/** Colours of one side of the page, as `#RRGGBB`: whatever is written there can be read (WCAG 2.2, 4.5 to 1). */
export interface SideInks {
  ground: string
  ink: string
  /** What is said besides. */
  faded: string
  /** Edges of fields, and lines. */
  edge: string
  /** Where something is typed. */
  field: string
  /** What stands out. */
  accent: string
}

export interface PageInks {
  light: SideInks
  dark: SideInks
  /** What stands out on both sides as a surface, and what is written on it. */
  accent: string
  onAccent: string
}

/**
 * The colours of the channel's own pages from the palette of its look: a light and a dark side of the hue of its plates, so that
 * a page is told by its colours whatever the look was made for.
 */
export function pageInks(palette: Palette): PageInks {
  const plate = oklchOf(rgbOfHex(palette.plate))
  const accentOf = oklchOf(rgbOfHex(palette.accent))
  // A plate without a colour of its own takes the accent's, so faintly that it is felt and not seen.
  const h = plate.c > 0.02 ? plate.h : accentOf.h
  const most = Math.max(plate.c, 0.03)
  // Paper takes the warmth of what stands out: the hue of a dark plate, made light, is seldom meant.
  const tone = (l: number, c: number) =>
    hexOfRgb(rgbOfOklch({ l, c: Math.min(c, most), h: l > 0.8 && accentOf.c > 0.02 ? accentOf.h : h }))
  const dark = tone(0.18, 0.022)
  const light = tone(0.965, 0.02)
  const side = (ground: string, field: string, ink: string, faded: string, edge: string): SideInks => ({
    ...{ ground, field, edge, ink: readableInk(ink, ground), faded: readableInk(faded, ground) },
    accent: readableInk(palette.accent, ground),
  })
  const { accent } = palette
  return {
    light: side(light, tone(0.985, 0.014), tone(0.2, 0.022), tone(0.47, 0.03), tone(0.83, 0.05)),
    dark: side(dark, tone(0.13, 0.018), tone(0.96, 0.02), tone(0.76, 0.04), tone(0.34, 0.04)),
    accent,
    onAccent: readableInk(contrast(dark, accent) >= contrast(light, accent) ? dark : light, accent),
  }
}
