import { chosenWhere, type Ruled } from './chosen.ts'
import type { Listener } from './fields.ts'
import { intersect, OutOfBoxes, subtract, tidy, unite, type Box, type BoxBudget, type Region } from './region.ts'
import { implies, shapeOf } from './implies.ts'
import { all, any, conditionOf, find, not, stretchesOf, type Condition } from './search.ts'
import { isPossible, regionOf, spaceOf, type Space } from './space.ts'

/** What becomes of one variation among the others of its alert. */
export interface VariationCoverage {
  id: string
  /**
   * Where it can play: boxes that do not overlap. With others of its share group it may be the same points. Null: too
   * many to draw.
   */
  plays: Region | null
  /** Where its rule holds but another comes first; null: too many to draw. */
  hidden: Region | null
  /**
   * `unreachable`: it never plays. `shadowed`: in part of where its rule holds, others come first. `untold`: to find that
   * out takes too long.
   */
  state: 'open' | 'shadowed' | 'unreachable' | 'untold'
  /**
   * Who comes first there, in order. Everyday variations at the end hide nothing and are hidden by all; that is their
   * purpose.
   */
  by: string[]
}

export interface Coverage {
  space: Space
  variations: VariationCoverage[]
  /** Where no variation plays; null: too many to draw. */
  gaps: Region | null
  /** One box of where no variation plays; false: there is none. Null: to find that out takes too long. */
  gap: Box | false | null
}

/** How much a computation may take before it is said to be too much. */
export interface CoverageBudget {
  /** How many sides of boxes may be held against each other: about a third of a second. */
  boxes: number
  /** How many comparisons all searches together may ask: about two seconds. */
  comparisons: number
}

export const coverageBudget: CoverageBudget = { boxes: 8_000_000, comparisons: 20_000_000 }

/**
 * Which variation plays where, exactly: the region of each rule less those of the rules before it. A share group wins
 * wherever one of its members is the first that holds, and there each member that holds may be drawn. Boxes: at most
 * (comparisons × 2) ^ fields, in practice a few for each rule. Beyond the budget nothing is drawn, and what can be said
 * of each variation is found by search, which needs no boxes: whether it plays, who hides it, whether nothing plays
 * anywhere. The matcher and this never disagree about what can come. A box in which nothing ever
 * comes is left out; one of which only a part can come is drawn whole, and the axis that it lies along says *perhaps*
 * (see `axisOf`).
 */
export function coverageOf(
  listener: Listener,
  variations: readonly Ruled[],
  budget: CoverageBudget = coverageBudget,
): Coverage {
  const space = spaceOf(
    listener,
    variations.map(({ rule }) => rule),
  )
  try {
    return drawn(space, variations, { left: budget.boxes })
  } catch (error) {
    if (error instanceof OutOfBoxes) return searched(space, variations, budget.comparisons)
    throw error
  }
}

function drawn(space: Space, variations: readonly Ruled[], budget: BoxBudget): Coverage {
  const possible = (region: Region) => region.filter((box) => isPossible(space, box))
  const regions = variations.map(({ rule }) => regionOf(space, rule, budget))
  const groupOf = (index: number) => variations[index]?.share?.group ?? null

  // Where everything before a variation already holds; of a share group's member, everything that is not of the group.
  const firsts = variations.map((_, index) => {
    const before = regions.filter(
      (_region, other) => other < index && (groupOf(index) === null || groupOf(other) !== groupOf(index)),
    )
    return tidy(
      before.reduce((left, region) => subtract(left, region, budget), regions[index] ?? []),
      budget,
    )
  })
  const wins = new Map<string, Region>()
  firsts.forEach((first, index) => {
    const group = groupOf(index)
    if (group !== null) wins.set(group, unite(wins.get(group) ?? [], first, budget))
  })

  const covered = variations.map(({ id, rule }, index): VariationCoverage => {
    const region = regions[index] ?? []
    const group = groupOf(index)
    const won = group === null ? (firsts[index] ?? []) : intersect(region, wins.get(group) ?? [], budget)
    const whole = tidy(won, budget)
    const plays = possible(whole)
    const hidden = possible(tidy(subtract(region, whole, budget), budget))
    const by = variations.flatMap((other, at) =>
      at < index &&
      (group === null || groupOf(at) !== group) &&
      possible(intersect(hidden, regions[at] ?? [], budget)).length > 0
        ? [other.id]
        : [],
    )
    return { id, plays, hidden, by, state: stateOf(rule, plays.length > 0, hidden.length > 0) }
  })
  const gaps = possible(
    tidy(
      regions.reduce<Region>((left, region) => subtract(left, region, budget), space.whole),
      budget,
    ),
  )
  return { space, variations: covered, gaps, gap: gaps[0] ?? false }
}

function stateOf(rule: Ruled['rule'], isPlayed: boolean, isHidden: boolean): VariationCoverage['state'] {
  if (!isPlayed) return 'unreachable'
  // An everyday variation below others is for what they leave.
  return isHidden && rule !== null ? 'shadowed' : 'open'
}

/** What can be said without drawing anything. */
function searched(space: Space, variations: readonly Ruled[], comparisons: number): Coverage {
  const asked = askers(space, variations, comparisons)
  const groupOf = (index: number) => variations[index]?.share?.group ?? null
  return {
    space,
    gaps: null,
    gap: asked.find(not(any(asked.holds))),
    variations: variations.map(({ id }, index): VariationCoverage => {
      const { state, isHidden, lost } = asked.stateOf(index)
      const by = (isHidden ? variations.slice(0, index) : []).flatMap((other, at) => {
        const isRival = groupOf(index) === null || groupOf(at) !== groupOf(index)
        return isRival && asked.find(all([asked.holds[at] ?? never, lost])) ? [other.id] : []
      })
      return { id, plays: null, hidden: null, by, state }
    }),
  }
}

/** What becomes of each variation, without where and by whom: what an order has to be judged by. */
export function statesOf(
  listener: Listener,
  variations: readonly Ruled[],
  comparisons = coverageBudget.comparisons,
): Pick<VariationCoverage, 'id' | 'state'>[] {
  const space = spaceOf(
    listener,
    variations.map(({ rule }) => rule),
  )
  const asked = askers(space, variations, comparisons)
  return variations.map(({ id }, index) => ({ id, state: asked.stateOf(index).state }))
}

const never: Condition = () => false

/** Questions about variations that are answered by search. Each gets its share of the comparisons: one that takes too long leaves the others their answers. */
function askers(space: Space, variations: readonly Ruled[], comparisons: number) {
  const rules = variations.map(({ rule }) => rule)
  const stretches = stretchesOf(space, rules)
  const holds = rules.map((rule) => conditionOf(space, rule))
  const shapes = rules.map((rule) => shapeOf(space, rule))
  const share = Math.ceil(comparisons / (variations.length * 3 + 1))
  const ask = (condition: Condition) =>
    find({ space, stretches, whole: space.whole, budget: { left: share } }, condition)
  /** Whether one that comes first holds wherever this one does, as far as that is plain to see. */
  function isHiddenPlainly(index: number): boolean {
    const group = variations[index]?.share?.group ?? null
    // Whoever shares plays where any of its group comes first.
    const end = group === null ? index : variations.findIndex((each) => each.share?.group === group)
    const budget = { left: share }
    return shapes.slice(0, end).some((other) => implies(shapes[index] ?? null, other, budget))
  }
  return {
    holds,
    find: ask,
    stateOf(index: number) {
      const holdsHere = holds[index] ?? never
      const isCovered = isHiddenPlainly(index)
      const chosen = isCovered ? never : chosenWhere(variations, holds, index)
      // Nothing comes before the first.
      const lost = index === 0 ? never : all([holdsHere, not(chosen)])
      const [plays, hidden] = [isCovered ? false : ask(chosen), ask(lost)]
      const isUntold = plays === null || (plays !== false && hidden === null)
      const state = isUntold ? 'untold' : stateOf(rules[index] ?? null, plays !== false, hidden !== false)
      return { state: state as VariationCoverage['state'], isHidden: hidden !== false, lost }
    },
  }
}
