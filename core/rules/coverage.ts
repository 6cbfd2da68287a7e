import type { Listener } from './fields.ts'
import { intersect, subtract, tidy, unite, type Region } from './region.ts'
import type { Rule, Share } from './schema.ts'
import { regionOf, spaceOf, type Space } from './space.ts'

/** A variation as coverage sees it. */
export interface Ruled {
  id: string
  rule: Rule | null
  share: Share | null
}

/** What becomes of one variation among the others of its alert. */
export interface VariationCoverage {
  id: string
  /** Where it can play: boxes that do not overlap. With others of its share group it may be the same points. */
  plays: Region
  /** Where its rule holds but another comes first. */
  hidden: Region
  /** `unreachable`: it never plays. `shadowed`: in part of where its rule holds, others come first. */
  state: 'open' | 'shadowed' | 'unreachable'
  /**
   * Who comes first there, in order. Everyday variations at the end hide nothing and are hidden by all; that is their
   * purpose.
   */
  by: string[]
}

export interface Coverage {
  space: Space
  variations: VariationCoverage[]
  /** Where no variation plays. */
  gaps: Region
}

/**
 * Which variation plays where, exactly: the region of each rule less those of the rules before it. A share group wins
 * wherever one of its members is the first that holds, and there each member that holds may be drawn. Boxes: at most
 * (comparisons × 2) ^ fields, in practice a few for each rule. The matcher and this never disagree, but for what they
 * treat as if it had nothing to do with each other (see `Dimension`).
 */
export function coverageOf(listener: Listener, variations: readonly Ruled[]): Coverage {
  const space = spaceOf(
    listener,
    variations.map(({ rule }) => rule),
  )
  const regions = variations.map(({ rule }) => regionOf(space, rule))
  const groupOf = (index: number) => variations[index]?.share?.group ?? null

  // Where everything before a variation already holds; of a share group's member, everything that is not of the group.
  const firsts = variations.map((_, index) => {
    const before = regions.filter(
      (_region, other) => other < index && (groupOf(index) === null || groupOf(other) !== groupOf(index)),
    )
    return tidy(before.reduce((left, region) => subtract(left, region), regions[index] ?? []))
  })
  const wins = new Map<string, Region>()
  firsts.forEach((first, index) => {
    const group = groupOf(index)
    if (group !== null) wins.set(group, unite(wins.get(group) ?? [], first))
  })

  const covered: VariationCoverage[] = variations.map(({ id, rule }, index) => {
    const region = regions[index] ?? []
    const group = groupOf(index)
    const plays = tidy(group === null ? (firsts[index] ?? []) : intersect(region, wins.get(group) ?? []))
    const hidden = tidy(subtract(region, plays))
    const by = variations.flatMap((other, at) =>
      at < index && (group === null || groupOf(at) !== group) && intersect(hidden, regions[at] ?? []).length > 0
        ? [other.id]
        : [],
    )
    const isEverydayBelow = rule === null && plays.length > 0
    return {
      id,
      plays,
      hidden,
      state: plays.length === 0 ? 'unreachable' : hidden.length > 0 && !isEverydayBelow ? 'shadowed' : 'open',
      by,
    }
  })
  const gaps = regions.reduce<Region>((left, region) => subtract(left, region), space.whole)
  return { space, variations: covered, gaps: tidy(gaps) }
}
