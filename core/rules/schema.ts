import * as z from 'zod'
import { calendarSpans, placeOnScale } from './calendar.ts'
import { largestNumber } from './fields.ts'

const field = z.string().min(1).max(40)
const whole = z.int().min(0, 'less than nothing never comes').max(largestNumber)
const values = z.array(z.string().min(1).max(200)).min(1, 'nothing is chosen').max(50)
const calendarEnd = z
  .string()
  .max(10)
  .refine((text) => placeOnScale(text) !== null, 'that is no time and no day')

/**
 * One comparison of one field. Numbers, spans and money are whole (spans: minutes; money: minor units of the channel's
 * currency).
 */
export const comparison = z.discriminatedUnion('is', [
  z.object({ field, is: z.literal('exactly'), value: whole }),
  z.object({ field, is: z.literal('not'), value: whole }),
  z.object({ field, is: z.literal('atLeast'), value: whole }),
  z.object({ field, is: z.literal('atMost'), value: whole }),
  z
    .object({ field, is: z.literal('between'), from: whole, to: whole })
    .refine(({ from, to }) => from <= to, 'the first number is above the second: nothing lies between'),
  z
    .object({ field, is: z.literal('within'), from: calendarEnd, to: calendarEnd })
    .refine(({ from, to }) => calendarSpans(from, to) !== null, 'no time lies between these'),
  z.object({ field, is: z.literal('oneOf'), values }),
  z.object({ field, is: z.literal('noneOf'), values }),
  z.object({ field, is: z.literal('contains'), text: z.string().min(1, 'every text contains nothing').max(200) }),
])
export type Comparison = z.infer<typeof comparison>

const match = z.enum(['all', 'any', 'none'])
const group = z.object({ match, of: z.array(comparison).min(1, 'nothing is asked').max(20) })

/** When a variation applies: all, any or none of comparisons, of which some may be such groups again. */
export const rule = z.object({
  match,
  of: z
    .array(z.union([comparison, group]))
    .min(1, 'nothing is asked')
    .max(20),
})
export type Rule = z.infer<typeof rule>
export type RuleTerm = Rule['of'][number]

export const isComparison = (term: RuleTerm): term is Comparison => 'field' in term

/** Every comparison of some rules, those in groups included. */
export function* comparisonsOf(rules: Iterable<Rule | null>): Generator<Comparison> {
  for (const each of rules) {
    for (const term of each?.of ?? []) {
      if (isComparison(term)) yield term
      else yield* term.of
    }
  }
}

/** Variations that share: among those of one group that hold, one is drawn by weight. */
export const share = z.object({ group: z.string().regex(/^[a-z0-9-]{1,40}$/), weight: z.int().min(1).max(1000) })
export type Share = z.infer<typeof share>
