import { calendarSpans } from './calendar.ts'
import { fieldOf, type Listener, type RuleField } from './fields.ts'
import { isComparison, type Comparison, type Rule } from './schema.ts'

const ways: Record<RuleField['type'], readonly Comparison['is'][]> = {
  number: ['atLeast', 'exactly', 'atMost', 'between', 'not'],
  money: ['atLeast', 'between', 'atMost', 'exactly', 'not'],
  span: ['atLeast', 'atMost', 'between'],
  clock: ['within'],
  season: ['within'],
  date: ['within'],
  choice: ['oneOf', 'noneOf'],
  set: ['oneOf', 'noneOf'],
  text: ['contains', 'oneOf', 'noneOf'],
}

/** How a field can be compared, the most usual way first. */
export const comparisonsFor = (field: RuleField): readonly Comparison['is'][] => ways[field.type]

/** Why a rule cannot be asked of an alert's events, in words; null when it can. */
export function faultOfRule(listener: Listener, rule: Rule | null): string | null {
  for (const term of rule?.of ?? []) {
    const fault = isComparison(term) ? faultOfComparison(listener, term) : faultOfRule(listener, term)
    if (fault) return fault
  }
  return null
}

function faultOfComparison(listener: Listener, comparison: Comparison): string | null {
  const field = fieldOf(listener, comparison.field)
  if (!field) return `these events never say “${comparison.field}”`
  if (!ways[field.type].includes(comparison.is)) return `${field.words} cannot be compared in this way`
  if (comparison.is === 'within')
    return calendarSpans(comparison.from, comparison.to)?.scale === field.type
      ? null
      : `${field.words} is written otherwise`
  if ((field.type !== 'choice' && field.type !== 'set') || !('values' in comparison)) return null
  const unknown = comparison.values.find((value) => !field.options.some((option) => option.value === value))
  return unknown === undefined ? null : `${field.words} is never “${unknown}”`
}
