import type { SearchBudget } from './search.ts'
import { isComparison, type Rule, type RuleTerm } from './schema.ts'
import { askedBy, type Space } from './space.ts'

/** A rule as what it comes down to: stretches of directions, and how these are put together. */
type Shape =
  | { match: 'all' | 'any' | 'none'; of: readonly Shape[] }
  | { at: number; spans: readonly (readonly [first: number, last: number])[] }

/** What a rule comes down to; null for one that always holds. */
export function shapeOf(space: Space, rule: Rule | null): Shape | null {
  return rule && shapeOfTerm(space, rule)
}

function shapeOfTerm(space: Space, term: Rule | RuleTerm): Shape {
  if (!isComparison(term as RuleTerm)) {
    const { match, of } = term as Rule
    return { match, of: of.map((each) => shapeOfTerm(space, each)) }
  }
  const { isAny, asked } = askedBy(space, term as Exclude<RuleTerm, { match: unknown }>)
  return { match: isAny ? 'any' : 'all', of: asked }
}

/**
 * Whether one rule visibly asks for all that another asks, so that it never holds where the other does not: a copy, or
 * a copy made narrower, which search would have to go through every choice of to be as sure. Sound and not complete:
 * where it says no, search decides.
 * @param budget takes one for each pair of stretches that is compared, at most the product of what both rules ask; it
 * says no once nothing is left
 */
export function implies(rule: Shape | null, other: Shape | null, budget: SearchBudget): boolean {
  if (other === null) return true
  return rule !== null && shapeImplies(rule, other, budget)
}

function shapeImplies(a: Shape, b: Shape, budget: SearchBudget): boolean {
  budget.left -= 1
  if (budget.left < 0) return false
  if ('of' in b && b.match === 'all') return b.of.every((each) => shapeImplies(a, each, budget))
  if ('of' in a && a.match === 'any') return a.of.every((each) => shapeImplies(each, b, budget))
  if ('of' in a && 'of' in b && a.match === 'none' && b.match === 'none')
    return shapeImplies({ match: 'any', of: b.of }, { match: 'any', of: a.of }, budget)
  if ('of' in a && a.match === 'all' && a.of.some((each) => shapeImplies(each, b, budget))) return true
  if ('of' in b && b.match === 'any') return b.of.some((each) => shapeImplies(a, each, budget))
  if ('of' in a || 'of' in b) return false
  const isInside = ([first, last]: readonly [number, number]) =>
    b.spans.some(([begin, end]) => first >= begin && last <= end)
  return a.at === b.at && a.spans.every(isInside)
}
