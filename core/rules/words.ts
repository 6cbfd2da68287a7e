import { numberFormat } from '../text/numberFormat.ts'
import { clockWords } from '../time/clockWords.ts'
import { formatMoney } from '../money.ts'
import { listedWords } from '../text/listedWords.ts'
import { placeOnScale } from './calendar.ts'
import { fieldOf, type Listener, type RuleField } from './fields.ts'
import { isComparison, type Comparison, type Rule, type RuleTerm } from './schema.ts'

/** How numbers, money and days are written for the people of a channel. */
export interface RuleLocale {
  locale: string
  currency: string
}

/** From the longest: what a span is told in, where it comes out whole. */
export const spanUnits = [
  { minutes: 1440, one: 'day', many: 'days' },
  { minutes: 60, one: 'hour', many: 'hours' },
  { minutes: 1, one: 'minute', many: 'minutes' },
] as const

/** The longest unit in which a span is a whole number. */
export const spanUnitOf = (minutes: number) =>
  spanUnits.find((unit) => minutes > 0 && minutes % unit.minutes === 0) ?? spanUnits[2]

function wordsOfSpan(minutes: number, locale: string): string {
  const unit = spanUnitOf(minutes)
  const count = minutes / unit.minutes
  return `${numberFormat(locale).format(count)} ${count === 1 ? unit.one : unit.many}`
}

const dayMs = 86_400_000

/** A place on a clock or a calendar as it is written for people. */
function wordsOfTime(type: 'clock' | 'season' | 'date', at: number, locale: string): string {
  if (type === 'clock') return clockWords(at)
  const atMs = type === 'season' ? Date.UTC(2024, 0, 1 + at) : at * dayMs
  return new Intl.DateTimeFormat(locale, {
    timeZone: 'UTC',
    day: 'numeric',
    month: 'long',
    ...(type === 'date' ? { year: 'numeric' } : {}),
  }).format(atMs)
}

/** A value of a field as it is read aloud. */
export function wordsOfValue(
  field: RuleField,
  value: number | string | readonly string[],
  { locale, currency }: RuleLocale,
): string {
  switch (field.type) {
    case 'money':
      return formatMoney(Number(value), currency, locale)
    case 'number':
      return numberFormat(locale).format(Number(value))
    case 'span':
      return wordsOfSpan(Number(value), locale)
    case 'clock':
    case 'season':
    case 'date':
      return wordsOfTime(field.type, typeof value === 'string' ? (placeOnScale(value)?.at ?? 0) : Number(value), locale)
    case 'choice':
    case 'set': {
      const values = typeof value === 'object' ? value : [String(value)]
      return (
        listedWords(
          values.map((each) => field.options.find((option) => option.value === each)?.words ?? each),
          'and',
        ) || 'none of these'
      )
    }
    case 'text':
      return `“${String(value)}”`
  }
}

/** A comparison as a person reads it aloud: "months is at least 12". */
export function wordsOfComparison(listener: Listener, comparison: Comparison, locale: RuleLocale): string {
  const field = fieldOf(listener, comparison.field)
  if (!field) return `“${comparison.field}”, which these events never say`
  const value = (of: number | string) => wordsOfValue(field, of, locale)
  const ago = field.type === 'span' ? ' ago' : ''
  switch (comparison.is) {
    case 'exactly':
      return `${field.words} is exactly ${value(comparison.value)}`
    case 'not':
      return `${field.words} is not ${value(comparison.value)}`
    case 'atLeast':
      return `${field.words} is at least ${value(comparison.value)}${ago}`
    case 'atMost':
      return `${field.words} is at most ${value(comparison.value)}${ago}`
    case 'between':
      return `${field.words} is from ${value(comparison.from)} to ${value(comparison.to)}${ago}`
    case 'within':
      return `${field.words} is from ${value(comparison.from)} to ${value(comparison.to)}${field.type === 'season' ? ' of any year' : ''}`
    case 'oneOf':
      return `${field.words} is ${listedWords(comparison.values.map(value), 'or')}`
    case 'noneOf':
      return `${field.words} is not ${listedWords(comparison.values.map(value), 'or')}`
    case 'contains':
      return `${field.words} contains “${comparison.text}”`
  }
}

const joins = { all: 'and', any: 'or', none: 'or' } as const

/** A whole rule as one sentence; an everyday variation says so. */
export function wordsOfRule(listener: Listener, rule: Rule | null, locale: RuleLocale): string {
  if (rule === null) return 'every time'
  const term = (each: RuleTerm): string =>
    isComparison(each) ? wordsOfComparison(listener, each, locale) : `(${wordsOfRule(listener, each, locale)})`
  const words = listedWords(rule.of.map(term), joins[rule.match])
  return rule.match === 'none' ? `not when ${words}` : words
}
