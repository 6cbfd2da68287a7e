import type { EventKind } from '../events/kinds.ts'
import { formatMoney } from '../money.ts'
import { fieldOf, type RuleField } from './fields.ts'
import { isComparison, type Comparison, type Rule, type RuleTerm } from './schema.ts'

/** How numbers and money are written for the people of a channel. */
export interface RuleLocale {
  locale: string
  currency: string
}

const joined = (words: readonly string[], last: string) => (words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1) ?? ''}`)

/** A value of a field as it is read aloud. */
export function wordsOfValue(field: RuleField, value: number | string, { locale, currency }: RuleLocale): string {
  if (field.type === 'money') return formatMoney(Number(value), currency, locale)
  if (field.type === 'number') return new Intl.NumberFormat(locale).format(Number(value))
  if (field.type === 'choice') return field.options.find((option) => option.value === value)?.words ?? String(value)
  return `“${String(value)}”`
}

/** A comparison as a person reads it aloud: "months is at least 12". */
export function wordsOfComparison(kind: EventKind, comparison: Comparison, locale: RuleLocale): string {
  const field = fieldOf(kind, comparison.field)
  if (!field) return `“${comparison.field}”, which this kind never says`
  const value = (of: number | string) => wordsOfValue(field, of, locale)
  switch (comparison.is) {
    case 'exactly':
      return `${field.words} is exactly ${value(comparison.value)}`
    case 'not':
      return `${field.words} is not ${value(comparison.value)}`
    case 'atLeast':
      return `${field.words} is at least ${value(comparison.value)}`
    case 'atMost':
      return `${field.words} is at most ${value(comparison.value)}`
    case 'between':
      return `${field.words} is from ${value(comparison.from)} to ${value(comparison.to)}`
    case 'oneOf':
      return `${field.words} is ${joined(comparison.values.map(value), 'or')}`
    case 'noneOf':
      return `${field.words} is not ${joined(comparison.values.map(value), 'or')}`
    case 'contains':
      return `${field.words} contains “${comparison.text}”`
  }
}

const joins = { all: 'and', any: 'or', none: 'or' } as const

/** A whole rule as one sentence; an everyday variation says so. */
export function wordsOfRule(kind: EventKind, rule: Rule | null, locale: RuleLocale): string {
  if (rule === null) return 'every time'
  const term = (each: RuleTerm): string => (isComparison(each) ? wordsOfComparison(kind, each, locale) : `(${wordsOfRule(kind, each, locale)})`)
  const words = joined(rule.of.map(term), joins[rule.match])
  return rule.match === 'none' ? `not when ${words}` : words
}
