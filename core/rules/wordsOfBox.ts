import { largestNumber } from './fields.ts'
import type { Box } from './region.ts'
import { missing, type Dimension } from './dimension.ts'
import type { Space } from './space.ts'
import { wordsOfValue, type RuleLocale } from './words.ts'

/**
 * What lies in a box, as far as it is less than everything: "the amount is at most €4.99 and the tier is III". Empty
 * for everything.
 */
export function wordsOfBox({ dimensions, whole }: Space, box: Box, locale: RuleLocale): string {
  const parts = dimensions.flatMap((dimension, index) => {
    const [first, last] = [box[index * 2] as number, box[index * 2 + 1] as number]
    const isAll = whole.every((each) => first <= (each[index * 2] as number) && last >= (each[index * 2 + 1] as number))
    return isAll ? [] : [wordsOfSpan(dimension, first, last, locale)]
  })
  return parts.join(' and ')
}

function wordsOfSpan(
  { field, values, contained, last: end }: Dimension,
  first: number,
  last: number,
  locale: RuleLocale,
): string {
  if (last === missing)
    return field.type === 'money' ? `${field.words} is in a currency without a rate` : `${field.words} is not said`
  if (contained !== null)
    return field.type === 'set'
      ? `${field.words} is ${last === 0 ? 'not ' : ''}${wordsOfValue(field, contained, locale)}`
      : `${field.words} ${last === 0 ? 'does not contain' : 'contains'} “${contained}”`
  if (values)
    return `${field.words} is ${values
      .slice(Math.max(0, first), last + 1)
      .map((value) => wordsOfValue(field, value, locale))
      .concat(last >= values.length ? ['something else'] : [])
      .join(' or ')}`
  const value = (at: number) => wordsOfValue(field, at, locale)
  if (first === last) return `${field.words} is ${value(first)}`
  if (last >= Math.min(end, largestNumber)) return `${field.words} is at least ${value(first)}`
  return first <= 0
    ? `${field.words} is at most ${value(last)}`
    : `${field.words} is from ${value(first)} to ${value(last)}`
}
