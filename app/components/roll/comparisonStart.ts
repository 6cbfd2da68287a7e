import { comparisonsFor } from '../../../core/rules/checkRule.ts'
import type { RuleField } from '../../../core/rules/fields.ts'
import type { Comparison } from '../../../core/rules/schema.ts'

export const isWords: Record<Comparison['is'], string> = {
  exactly: 'is exactly',
  not: 'is not',
  atLeast: 'is at least',
  atMost: 'is at most',
  between: 'is between',
  within: 'is from',
  oneOf: 'is',
  noneOf: 'is not',
  contains: 'contains',
}

const usualNumber: Record<string, number> = {
  amount: 500,
  party: 50,
  points: 1000,
  count: 5,
  cost: 500,
  since: 30 * 1440,
}
const usualStretch: Record<string, { from: string; to: string }> = {
  clock: { from: '22:00', to: '04:00' },
  season: { from: '12-01', to: '01-06' },
}
const soonDays = 28

function stretchFrom(field: RuleField, nowMs: number): { from: string; to: string } {
  const day = (atMs: number) => new Date(atMs).toISOString().slice(0, 10)
  return usualStretch[field.type] ?? { from: day(nowMs), to: day(nowMs + soonDays * 86_400_000) }
}

const numberOf = (comparison: Comparison | null): number | undefined => {
  if (comparison && 'value' in comparison) return comparison.value
  return comparison?.is === 'between' ? comparison.from : undefined
}

function firstValue(field: RuleField, before: Comparison | null): string {
  if (field.type === 'choice' || field.type === 'set') return field.options[0]?.value ?? ''
  return before && 'text' in before ? before.text : 'words'
}

/** A comparison to begin with, keeping what an earlier one of the same field already said. */
export function startOf(
  field: RuleField,
  is: Comparison['is'] = comparisonsFor(field)[0] ?? 'exactly',
  before: Comparison | null = null,
): Comparison {
  const number = numberOf(before) ?? usualNumber[field.id] ?? 12
  const listed = before && 'values' in before ? before.values : null
  switch (is) {
    case 'between':
      return { field: field.id, is, from: number, to: number * 2 }
    case 'within':
      return { field: field.id, is, ...stretchFrom(field, Date.now()) }
    case 'oneOf':
    case 'noneOf':
      return {
        field: field.id,
        is,
        values: listed ?? [firstValue(field, before)],
      }
    case 'contains':
      return { field: field.id, is, text: listed?.[0] ?? 'words' }
    default:
      return { field: field.id, is, value: number }
  }
}
