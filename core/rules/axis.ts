import type { Coverage } from './coverage.ts'
import type { DrawnCoverage } from './isDrawn.ts'
import { missing, type Dimension } from './dimension.ts'
import { isPossible, type Space } from './space.ts'
import type { Box, Region } from './region.ts'

/** A stretch of an axis on which the same variations can play. */
export interface AxisStretch {
  first: number
  last: number
  /** Who can play here; several where other fields or a draw decide. Empty: nothing plays. */
  ids: string[]
  /** Something on this stretch finds no variation. */
  hasGap: boolean
  /** Not everywhere on it: where exactly hangs on another direction, as a day of the year does on a date. */
  isPerhaps: boolean
}

/** One line of the drawing. */
export interface AxisRow {
  /** The value of the facet; null where there is none. */
  value: number | null
  stretches: AxisStretch[]
}

/** The coverage along one ordered direction, with a row for each value of another where that is a choice. */
export interface CoverageAxis {
  dimension: number | null
  facet: number | null
  rows: AxisRow[]
}

const isAlong = ({ field, contained }: Dimension) =>
  contained === null &&
  (field.type === 'number' ||
    field.type === 'money' ||
    field.type === 'span' ||
    field.type === 'clock' ||
    field.type === 'season')

/** The directions that rows can be made of: choices, and what is in a set. */
export function facetsOf({ space }: Coverage): number[] {
  return space.dimensions.flatMap(({ field }, at) => (field.type === 'choice' || field.type === 'set' ? [at] : []))
}

/**
 * Lays coverage out to be drawn: along the first ordered direction, with a row for each value of a facet. Without
 * anything ordered all of it is one stretch.
 * @param wanted the direction that rows are made of, one of `facetsOf`; otherwise the first
 */
export function axisOf(coverage: DrawnCoverage, wanted: number | null = null): CoverageAxis {
  const { space, variations, gaps } = coverage
  const ordered = space.dimensions.findIndex(isAlong)
  const facets = facetsOf(coverage)
  const dimension = ordered < 0 ? null : ordered
  const facet = wanted !== null && facets.includes(wanted) ? wanted : (facets[0] ?? null)
  const values =
    facet === null ? [null] : Array.from({ length: (space.dimensions[facet]?.last ?? 0) + 1 }, (_, value) => value)
  const rows = values.map((value) => {
    const onRow = (region: Region) =>
      facet === null || value === null
        ? region
        : region
            .filter((box) => (box[facet * 2] as number) <= value && (box[facet * 2 + 1] as number) >= value)
            .map((box) => narrowed(box, facet, value, value))
            .filter((box) => isPossible(space, box))
    // A kind that never says what the axis shows is one stretch.
    const along =
      dimension !== null && onRow(space.whole).some((box) => (box[dimension * 2 + 1] as number) > missing)
        ? dimension
        : null
    return {
      value,
      stretches: stretchesOf(
        space,
        along,
        variations.map(({ id, plays }) => ({ id, region: onRow(plays) })),
        onRow(gaps),
        dimension === null ? 0 : (space.dimensions[dimension]?.last ?? 0),
      ),
    }
  })
  return { dimension, facet, rows }
}

/** What of a box lies between two values of one direction. */
const narrowed = (box: Box, dimension: number, first: number, last: number): Box => [
  ...box.slice(0, dimension * 2),
  Math.max(box[dimension * 2] as number, first),
  Math.min(box[dimension * 2 + 1] as number, last),
  ...box.slice(dimension * 2 + 2),
]

function stretchesOf(
  space: Space,
  dimension: number | null,
  variations: readonly { id: string; region: Region }[],
  gaps: Region,
  farthest: number,
): AxisStretch[] {
  const at = (dimension ?? 0) * 2
  const covers = (region: Region, first: number, last: number) =>
    dimension === null
      ? region.length > 0
      : region.some(
          (box) =>
            (box[at] as number) <= first &&
            (box[at + 1] as number) >= first &&
            isPossible(space, narrowed(box, dimension, first, last)),
        )
  const cuts = new Set([0])
  if (dimension !== null) {
    for (const box of [...variations.flatMap(({ region }) => region), ...gaps]) {
      if ((box[at] as number) > missing) cuts.add(box[at] as number)
      if ((box[at + 1] as number) < farthest) cuts.add((box[at + 1] as number) + 1)
    }
  }
  const firsts = [...cuts].filter((cut) => cut >= 0).sort((a, b) => a - b)
  const stretches: AxisStretch[] = []
  firsts.forEach((first, index) => {
    const last = (firsts[index + 1] ?? farthest + 1) - 1
    const playing = variations.filter(({ region }) => covers(region, first, last))
    const ids = playing.map(({ id }) => id)
    const hasGap = covers(gaps, first, last)
    const isPerhaps = playing.some(({ region }) => !covers(region, first, first) || !covers(region, last, last))
    const before = stretches.at(-1)
    if (before && before.hasGap === hasGap && before.isPerhaps === isPerhaps && before.ids.join() === ids.join())
      before.last = last
    else stretches.push({ first, last, ids, hasGap, isPerhaps })
  })
  return stretches
}
