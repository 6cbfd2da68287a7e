import type { EventKind } from '../events/kinds.ts'
import { fieldOf, type RuleField } from './fields.ts'
import { isComparison, type Comparison, type Rule } from './schema.ts'

const ways: Record<RuleField['type'], readonly Comparison['is'][]> = {
  number: ['atLeast', 'exactly', 'atMost', 'between', 'not'],
  money: ['atLeast', 'between', 'atMost', 'exactly', 'not'],
  choice: ['oneOf', 'noneOf'],
  text: ['contains', 'oneOf', 'noneOf'],
}

/** How a field can be compared, the most usual way first. */
export const comparisonsFor = (field: RuleField): readonly Comparison['is'][] => ways[field.type]

/** Why a rule cannot be asked of a kind of event, in words; null when it can. */
export function faultOfRule(kind: EventKind, rule: Rule | null): string | null {
  for (const term of rule?.of ?? []) {
    const fault = isComparison(term) ? faultOfComparison(kind, term) : faultOfRule(kind, term)
    if (fault) return fault
  }
  return null
}

function faultOfComparison(kind: EventKind, comparison: Comparison): string | null {
  const field = fieldOf(kind, comparison.field)
  if (!field) return `this kind of event never says “${comparison.field}”`
  if (!ways[field.type].includes(comparison.is)) return `${field.words} cannot be compared in this way`
  if (field.type !== 'choice' || !('values' in comparison)) return null
  const unknown = comparison.values.find((value) => !field.options.some((option) => option.value === value))
  return unknown === undefined ? null : `${field.words} is never “${unknown}”`
}
