import { foldCase } from '../text/foldCase.ts'
import { calendarSpans } from './calendar.ts'
import { isComparison, type Comparison, type Rule, type RuleTerm } from './schema.ts'
import type { RuleValues } from './values.ts'

/**
 * Whether one comparison holds. Numbers are compared as numbers, everything else as text: composed and without regard
 * to case (`foldCase`), whether it has to be the whole or a part of it. Of several values it is enough that one is
 * listed.
 */
export function comparisonHolds(comparison: Comparison, values: RuleValues): boolean {
  const value = values[comparison.field]
  if (value === undefined) return false
  switch (comparison.is) {
    case 'exactly':
      return value === comparison.value
    case 'not':
      return typeof value === 'number' && value !== comparison.value
    case 'atLeast':
      return typeof value === 'number' && value >= comparison.value
    case 'atMost':
      return typeof value === 'number' && value <= comparison.value
    case 'between':
      return typeof value === 'number' && value >= comparison.from && value <= comparison.to
    case 'within':
      return (
        typeof value === 'number' &&
        (calendarSpans(comparison.from, comparison.to)?.spans.some(
          ([first, last]) => value >= first && value <= last,
        ) ??
          false)
      )
    case 'oneOf':
      return isListed(comparison.values, value)
    case 'noneOf':
      return !isListed(comparison.values, value)
    case 'contains':
      return foldCase(String(value)).includes(foldCase(comparison.text))
  }
}

/** Every decision asks the same lists; a rule is never changed in place. */
const foldedLists = new WeakMap<readonly string[], ReadonlySet<string>>()

function foldedOf(listed: readonly string[]): ReadonlySet<string> {
  const kept = foldedLists.get(listed) ?? new Set(listed.map(foldCase))
  foldedLists.set(listed, kept)
  return kept
}

function isListed(listed: readonly string[], value: number | string | readonly string[]): boolean {
  if (typeof value === 'object') return value.some((each) => listed.includes(each))
  const text = String(value)
  return listed.includes(text) || foldedOf(listed).has(foldCase(text))
}

const termHolds = (term: RuleTerm, values: RuleValues): boolean =>
  isComparison(term) ? comparisonHolds(term, values) : ruleHolds(term, values)

/**
 * Whether a rule holds for an event's values; a variation without a rule always does. Linear in its comparisons, and
 * stops at the first that decides.
 */
export function ruleHolds(rule: Rule | null, values: RuleValues): boolean {
  if (rule === null) return true
  if (rule.match === 'all') return rule.of.every((term) => termHolds(term, values))
  const isAny = rule.of.some((term) => termHolds(term, values))
  return rule.match === 'any' ? isAny : !isAny
}
