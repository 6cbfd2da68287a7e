import type { Typeface } from './schema.ts'

/** A typeface that ships with Thundercrest and that an alert may use. */
export interface ShelfFont {
  family: string
  /** A variable font takes every weight between the first and the last; else these are all there are. */
  weights: readonly number[]
  isVariable: boolean
}

/** The typefaces to choose from, in the order in which they are offered. All under the SIL Open Font License. */
export const fontShelf: readonly ShelfFont[] = [
  { family: 'Fraunces', weights: [100, 900], isVariable: true },
  { family: 'Bricolage Grotesque', weights: [200, 800], isVariable: true },
  { family: 'Instrument Sans', weights: [400, 700], isVariable: true },
  { family: 'Unbounded', weights: [200, 900], isVariable: true },
  { family: 'Syne', weights: [400, 800], isVariable: true },
  { family: 'Fredoka', weights: [300, 700], isVariable: true },
  { family: 'Caveat', weights: [400, 700], isVariable: true },
  { family: 'Oxanium', weights: [200, 800], isVariable: true },
  { family: 'Anton', weights: [400], isVariable: false },
  { family: 'Bangers', weights: [400], isVariable: false },
  { family: 'Lilita One', weights: [400], isVariable: false },
]

/** A family of the shelf as a typeface, in the weight that headlines take; null for a family that is not there. */
export function shelfTypeface(family: string): Typeface | null {
  const font = fontShelf.find((each) => each.family === family)
  return font ? { family, weight: font.isVariable ? 700 : (font.weights[0] ?? 400) } : null
}

/** Whether a family ships with Thundercrest. */
export const isShelved = (family: string) => fontShelf.some((each) => each.family === family)

/** The name under which a family's files are kept: "Lilita One" → "lilita-one". */
export function fontSlug(family: string): string {
  return family.toLowerCase().replaceAll(' ', '-')
}
