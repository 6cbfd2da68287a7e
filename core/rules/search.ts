import type { Box } from './region.ts'
import { isComparison, type Rule, type RuleTerm } from './schema.ts'
import { missing } from './dimension.ts'
import { askedBy, tiesIn, type Space } from './space.ts'

/** What is known of a condition while only some directions are decided; null: it still depends. */
export type Known = boolean | null

/**
 * A search in progress: for each direction the stretch that was decided, null where none was. Conditions note in
 * `openAt` a direction that they still depend on.
 */
export interface Decided {
  stretches: (readonly [first: number, last: number] | null)[]
  openAt: number
  budget: SearchBudget
}

/** How many comparisons may still be asked; all searches of one computation may share it. */
export interface SearchBudget {
  left: number
}

/** A condition over the points of a space, asked while they are being decided. */
export type Condition = (decided: Decided) => Known

export const not =
  (condition: Condition): Condition =>
  (decided) => {
    const known = condition(decided)
    return known === null ? null : !known
  }

/** Holds where all of the conditions do. Stops at the first that does not. */
export const all =
  (conditions: readonly Condition[]): Condition =>
  (decided) => {
    let isOpen = false
    for (const condition of conditions) {
      const known = condition(decided)
      if (known === false) return false
      isOpen ||= known === null
    }
    return isOpen ? null : true
  }

/** Holds where any of the conditions does. Stops at the first that does. */
export const any = (conditions: readonly Condition[]): Condition => not(all(conditions.map(not)))

/** A rule as a condition; a variation without a rule always holds. */
export function conditionOf(space: Space, rule: Rule | null): Condition {
  if (rule === null) return () => true
  const terms = rule.of.map((term) => conditionOfTerm(space, term))
  if (rule.match === 'all') return all(terms)
  return rule.match === 'any' ? any(terms) : not(any(terms))
}

function conditionOfTerm(space: Space, term: RuleTerm): Condition {
  if (!isComparison(term)) return conditionOf(space, term)
  const { isAny, asked } = askedBy(space, term)
  const conditions = asked.map(({ at, spans }): Condition => (decided) => {
    decided.budget.left -= 1
    const stretch = decided.stretches[at]
    if (!stretch) {
      // The first that is asked for is decided first: conditions ask in the order of what they depend on most.
      if (decided.openAt < 0) decided.openAt = at
      return null
    }
    // Stretches are cut where spans begin and end: the whole of one lies in a span or outside of it.
    return spans.some(([first, last]) => stretch[0] >= first && stretch[0] <= last)
  })
  return isAny ? any(conditions) : all(conditions)
}

/** The stretches of every direction along which all comparisons of some rules say the same, in order. */
export type Stretches = readonly (readonly (readonly [first: number, last: number])[])[]

export function stretchesOf(space: Space, rules: readonly (Rule | null)[]): Stretches {
  const cuts = space.dimensions.map(({ last, field }) => {
    const begins = new Set([missing, 0, last + 1])
    // Each kind of event is a stretch of its own: what it says differs.
    if (field.id === 'kind') for (let kind = 0; kind <= last; kind++) begins.add(kind)
    return begins
  })
  const cut = (terms: readonly RuleTerm[]): void => {
    for (const term of terms) {
      if (!isComparison(term)) {
        cut(term.of)
        continue
      }
      for (const { at, spans } of askedBy(space, term).asked)
        for (const [first, last] of spans) cuts[at]?.add(first).add(last + 1)
    }
  }
  for (const rule of rules) cut(rule?.of ?? [])
  return cuts.map((begins) => {
    const ordered = [...begins].sort((a, b) => a - b)
    return ordered.slice(0, -1).map((first, index) => [first, (ordered[index + 1] as number) - 1] as const)
  })
}

export interface Search {
  space: Space
  stretches: Stretches
  /** The parts of the space that are looked through, one after the other: `space.whole`, or some of its boxes. */
  whole: readonly Box[]
  budget: SearchBudget
}

/**
 * Looks for points for which a condition holds, by deciding one direction after another and leaving it at once where
 * the condition cannot hold any more. Exact: where it gives nothing and budget is left, there is no such point. At
 * worst exponential in the directions that the condition depends on; the budget bounds it.
 * @param near points are given in the order of the number of directions in which they lie elsewhere than this one, up
 * to two, for half of the budget; what lies farther away comes after these, nearer stretches first
 * @returns boxes whose every point fulfils the condition; none twice while the budget suffices
 */
export function* boxesWhere(search: Search, condition: Condition, near: readonly number[] | null): Generator<Box> {
  const { budget, whole } = search
  if (near) {
    const spared = Math.floor(budget.left / 2)
    for (const apart of nearRounds)
      for (const box of whole) yield* decide(search, condition, near, box, { least: apart, most: apart, spared })
    // Where the half did not suffice some of these may come again; it is better than that they never come.
    const least = budget.left > spared ? nearRounds.length : 0
    for (const box of whole) yield* decide(search, condition, near, box, { least, most: Infinity, spared: 0 })
    return
  }
  for (const box of whole) yield* decide(search, condition, near, box, { least: 0, most: Infinity, spared: 0 })
}

/** Points so many directions away are looked for before any others. */
const nearRounds = [0, 1, 2]

const isIn = (point: number, [first, last]: readonly [number, number]) => point >= first && point <= last

/** What one walk through a box of the space gives: points in so many directions elsewhere, while budget is left beyond what is spared. */
interface Round {
  least: number
  most: number
  spared: number
}

function* decide(
  { space, stretches, budget }: Search,
  condition: Condition,
  near: readonly number[] | null,
  whole: Box,
  { least, most, spared }: Round,
): Generator<Box> {
  const range = (at: number) => [whole[at * 2] as number, whole[at * 2 + 1] as number] as const
  const decided: Decided = { stretches: stretches.map(() => null), openAt: -1, budget }
  const choices = stretches.map((all, at) => {
    const [first, last] = range(at)
    const inside = all.filter((stretch) => stretch[0] >= first && stretch[1] <= last)
    return near ? inside.sort((a, b) => distance(near[at] as number, a) - distance(near[at] as number, b)) : inside
  })

  const spanAt = (at: number) => decided.stretches[at] ?? range(at)
  const ties = tiesIn(space)

  function* walk(elsewhere: number): Generator<Box> {
    if (budget.left < spared) return
    decided.openAt = -1
    const known = condition(decided)
    if (known === false) return
    budget.left -= ties.length
    if (!ties.every((tie) => tie(spanAt))) return
    const at = decided.openAt
    if (known) {
      if (elsewhere >= least) yield decided.stretches.flatMap((stretch, each) => [...(stretch ?? range(each))])
      return
    }
    for (const stretch of choices[at] ?? []) {
      const isElsewhere = near !== null && !isIn(near[at] as number, stretch)
      if (isElsewhere && elsewhere >= most) continue
      decided.stretches[at] = stretch
      yield* walk(isElsewhere ? elsewhere + 1 : elsewhere)
      decided.stretches[at] = null
    }
  }
  yield* walk(0)
}

function distance(point: number, [first, last]: readonly [number, number]): number {
  if (point < first) return first - point
  return point > last ? point - last : 0
}

/** Whether there is a point for which a condition holds, with one where there is; null where the budget did not suffice. */
export function find(search: Search, condition: Condition): Box | false | null {
  for (const box of boxesWhere(search, condition, null)) return box
  return search.budget.left < 0 ? null : false
}
