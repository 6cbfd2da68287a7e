import type { Ruled } from './chosen.ts'
import { isComparison, type Comparison, type Rule } from './schema.ts'

/**
 * Where a comparison of an ordered field begins and where what follows it begins: the boundaries that it draws on an
 * axis.
 */
function edgesOf(comparison: Comparison): number[] {
  switch (comparison.is) {
    case 'atLeast':
      return [comparison.value]
    case 'atMost':
      return [comparison.value + 1]
    case 'exactly':
    case 'not':
      return [comparison.value, comparison.value + 1]
    case 'between':
      return [comparison.from, comparison.to + 1]
    default:
      return []
  }
}

/**
 * The same with a boundary elsewhere. What is exactly one number becomes a stretch, and a stretch of one number exactly
 * that.
 */
function moved(comparison: Comparison, from: number, to: number): Comparison {
  if (!edgesOf(comparison).includes(from)) return comparison
  const { field } = comparison
  switch (comparison.is) {
    case 'atLeast':
      return { ...comparison, value: to }
    case 'atMost':
      return { ...comparison, value: to - 1 }
    case 'exactly':
      return stretch(field, comparison.value === from ? [to, comparison.value] : [comparison.value, to - 1])
    case 'between':
      return stretch(field, comparison.from === from ? [to, comparison.to] : [comparison.from, to - 1])
    default:
      return comparison
  }
}

function stretch(field: string, [from, to]: [number, number]): Comparison {
  return from === to ? { field, is: 'exactly', value: from } : { field, is: 'between', from, to }
}

function termsOf(rule: Rule): Comparison[] {
  return rule.of.flatMap((term) => (isComparison(term) ? [term] : term.of))
}

/** Whether rules draw a boundary of a field here that can be moved: "is not" draws two that belong together. */
export function canMoveBoundary(variations: readonly Ruled[], field: string, at: number): boolean {
  return (
    at > 0 &&
    variations.some(
      ({ rule }) =>
        rule && termsOf(rule).some((term) => term.field === field && term.is !== 'not' && edgesOf(term).includes(at)),
    )
  )
}

/** How far a boundary can go without crossing another one of the same field: first and last place. */
export function boundaryRange(
  variations: readonly Ruled[],
  field: string,
  at: number,
  last: number,
): { first: number; last: number } {
  const others = variations
    .flatMap(({ rule }) =>
      rule
        ? termsOf(rule)
            .filter((term) => term.field === field)
            .flatMap(edgesOf)
        : [],
    )
    .filter((edge) => edge !== at)
  return {
    first: Math.max(1, ...others.filter((edge) => edge < at).map((edge) => edge + 1)),
    last: Math.min(last, ...others.filter((edge) => edge > at).map((edge) => edge - 1)),
  }
}

/**
 * The rules of an alert with one boundary of a field elsewhere: whoever ends there ends at the new place, and whoever
 * begins there begins at it, so that neighbours stay neighbours.
 * @returns only the variations whose rule changes
 */
export function movedBoundary(
  variations: readonly Ruled[],
  field: string,
  from: number,
  to: number,
): { id: string; rule: Rule }[] {
  return variations.flatMap(({ id, rule }) => {
    if (!rule || !termsOf(rule).some((term) => term.field === field && edgesOf(term).includes(from))) return []
    const change = (term: Comparison) => (term.field === field ? moved(term, from, to) : term)
    return [
      {
        id,
        rule: {
          ...rule,
          of: rule.of.map((term) => (isComparison(term) ? change(term) : { ...term, of: term.of.map(change) })),
        },
      },
    ]
  })
}
