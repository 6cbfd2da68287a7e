import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import { calendarDay } from '../time/localMoment.ts'
import { axisOf } from './axis.ts'
import { chooseVariation } from './choose.ts'
import type { Ruled } from './chosen.ts'
import { coverageBudget, coverageOf } from './coverage.ts'
import { exampleOf } from './exampleOf.ts'
import { weekdays, type Listener } from './fields.ts'
import { isDrawn } from './isDrawn.ts'
import type { Comparison, Rule } from './schema.ts'
import { ruleValuesOf, type RuleValues } from './values.ts'

const match = fc.constantFrom('all' as const, 'any' as const, 'none' as const)
const ruledBy = (comparison: fc.Arbitrary<Comparison>): fc.Arbitrary<Ruled[]> =>
  fc
    .array(fc.record({ match, of: fc.array(comparison, { minLength: 1, maxLength: 3 }) }) as fc.Arbitrary<Rule>, {
      minLength: 1,
      maxLength: 4,
    })
    .map((rules) => rules.map((rule, index) => ({ id: `v${index}`, rule, share: null })))

/** Drawn, and found by search where nothing may be drawn. */
const budgets = [coverageBudget, { ...coverageBudget, boxes: 0 }]

/** Holds what coverage says of some rules against everything that can happen. */
function agrees(listener: Listener, variations: readonly Ruled[], happens: readonly RuleValues[]): void {
  const chosen = new Set<string>()
  const shadowed = new Set<string>()
  let isGap = false
  for (const values of happens) {
    const { variation } = chooseVariation(variations, values, 'k')
    if (variation) chosen.add(variation.id)
    else isGap = true
    for (const each of variations)
      if (variation && each.id > variation.id && chooseVariation([each], values, 'k').variation) shadowed.add(each.id)
  }
  for (const budget of budgets) {
    const coverage = coverageOf(listener, variations, budget)
    expect(coverage.gap !== false).toBe(isGap)
    for (const { id, state } of coverage.variations) {
      const wanted = shadowed.has(id) ? 'shadowed' : 'open'
      expect([id, state]).toEqual([id, chosen.has(id) ? wanted : 'unreachable'])
    }
  }
}

describe('a text and what it contains', () => {
  const pieces = ['a', 'ab', 'b', 'ba', 'abc', 'c', 'x']
  const texts = pieces.reduce<Set<string>>((all) => all, new Set(['']))
  for (let length = 0; length < 5; length++)
    for (const text of [...texts]) for (const piece of pieces) if (text.length < 7) texts.add(text + piece)
  const listener: Listener = { kinds: ['chatMessage'], offer: null }
  const comparison: fc.Arbitrary<Comparison> = fc.oneof(
    fc.record({
      field: fc.constant('message'),
      is: fc.constant('contains' as const),
      text: fc.constantFrom('a', 'AB', 'ba', 'abc', 'c'),
    }),
    fc.record({
      field: fc.constant('message'),
      is: fc.constantFrom('oneOf' as const, 'noneOf' as const),
      values: fc.uniqueArray(fc.constantFrom('a', 'Ab', 'aB', 'bab', 'x'), { minLength: 1, maxLength: 2 }),
    }),
  )
  const happens = [...texts].map((message) => ({ message }))
  it('hang together: what is said of cases is what happens with any text', () => {
    fc.assert(
      fc.property(ruledBy(comparison), (variations) => agrees(listener, variations, happens)),
      { numRuns: 60 },
    )
  })
  it('is a case that never plays where another one asks for part of it', () => {
    const contains = (text: string): Rule => ({ match: 'all', of: [{ field: 'message', is: 'contains', text }] })
    const states = coverageOf(listener, [
      { id: 'hi', rule: contains('hi'), share: null },
      { id: 'hi there', rule: contains('Hi there'), share: null },
      { id: 'there', rule: contains('there'), share: null },
    ]).variations.map(({ id, state }) => [id, state])
    expect(states).toEqual([
      ['hi', 'open'],
      ['hi there', 'unreachable'],
      ['there', 'shadowed'],
    ])
  })
  it('has examples in which pieces make no other piece by chance', () => {
    const rules: Ruled[] = [
      { id: 'both', rule: { match: 'all', of: [{ field: 'message', is: 'contains', text: 'hi there' }] }, share: null },
      {
        id: 'apart',
        rule: {
          match: 'all',
          of: [
            { field: 'message', is: 'contains', text: 'hi' },
            { field: 'message', is: 'contains', text: 'there' },
          ],
        },
        share: null,
      },
    ]
    const channel = { currency: 'EUR', rates: {}, timeZone: 'UTC' }
    const example = exampleOf(listener, rules, (kind) => sampleEvent(kind, 'everyday'), 'apart', channel)
    const values = example && ruleValuesOf(example.event, channel, example.circumstances, null)
    expect(chooseVariation(rules, values ?? {}, 'k').variation?.id).toBe('apart')
  })
})

describe('what is known of a viewer', () => {
  const listener: Listener = { kinds: ['tip'], offer: null }
  const comparison: fc.Arbitrary<Comparison> = fc.oneof(
    fc.record({
      field: fc.constant('viewer'),
      is: fc.constant('oneOf' as const),
      values: fc.constantFrom<string[]>(['named'], ['anonymous']),
    }),
    fc.record({
      field: fc.constant('visit'),
      is: fc.constantFrom('oneOf' as const, 'noneOf' as const),
      values: fc.constantFrom<string[]>(['first'], ['again']),
    }),
    fc.record({
      field: fc.constant('since'),
      is: fc.constantFrom('atLeast' as const, 'atMost' as const),
      value: fc.constantFrom(0, 60, 1440),
    }),
    fc.record({
      field: fc.constant('role'),
      is: fc.constantFrom('oneOf' as const, 'noneOf' as const),
      values: fc.subarray(['subscriber', 'vip'], { minLength: 1 }),
    }),
  )
  const roles = [[], ['subscriber'], ['vip'], ['subscriber', 'vip']]
  const happens: RuleValues[] = [
    { viewer: 'anonymous', role: [] },
    ...roles.flatMap((role) => [
      { viewer: 'named', role, visit: 'first' },
      ...[0, 30, 60, 61, 1440, 5000].map((since) => ({ viewer: 'named', role, visit: 'again', since })),
    ]),
  ]
  it('hangs together: nobody is anonymous with a role, or new with a last time', () => {
    fc.assert(
      fc.property(ruledBy(comparison), (variations) => agrees(listener, variations, happens)),
      { numRuns: 300 },
    )
  })
})

describe('day, date and weekday', () => {
  const listener: Listener = { kinds: ['follow'], offer: null }
  const comparison: fc.Arbitrary<Comparison> = fc.oneof(
    fc
      .tuple(
        fc.constantFrom('2026-02-27', '2026-06-24', '2026-06-29'),
        fc.constantFrom('2026-06-29', '2026-07-03', '2028-03-01'),
      )
      .map(([from, to]) => ({ field: 'date', is: 'within' as const, from, to })),
    fc
      .tuple(fc.constantFrom('02-28', '02-29', '06-24', '12-30'), fc.constantFrom('01-02', '02-29', '03-01', '06-26'))
      .map(([from, to]) => ({ field: 'season', is: 'within' as const, from, to })),
    fc.record({
      field: fc.constant('weekday'),
      is: fc.constantFrom('oneOf' as const, 'noneOf' as const),
      values: fc.subarray(['monday', 'wednesday', 'sunday'], { minLength: 1 }),
    }),
  )
  const firstDay = Date.UTC(2020, 0, 1) / 86_400_000
  const happens = Array.from({ length: 366 * 42 }, (_, index): RuleValues => {
    const { day, dayOfYear, weekday } = calendarDay(firstDay + index)
    return { date: day, season: dayOfYear, weekday: weekdays[weekday] }
  })
  it('hang together: a date has one weekday and one place in its year', () => {
    fc.assert(
      fc.property(ruledBy(comparison), (variations) => agrees(listener, variations, happens)),
      { numRuns: 20 },
    )
  })
  it('are drawn with a perhaps where a date plays in part of what is drawn', () => {
    const coverage = coverageOf(listener, [
      {
        id: 'june',
        rule: { match: 'all', of: [{ field: 'date', is: 'within', from: '2026-06-24', to: '2026-06-26' }] },
        share: null,
      },
      {
        id: 'summer',
        rule: { match: 'all', of: [{ field: 'season', is: 'within', from: '06-01', to: '08-31' }] },
        share: null,
      },
    ])
    if (!isDrawn(coverage)) throw new Error('it should be drawn')
    // It is computed by a worker and drawn by a page.
    expect(axisOf(structuredClone(coverage))).toEqual(axisOf(coverage))
    const [row] = axisOf(coverage).rows
    expect(row?.stretches.map(({ ids, isPerhaps }) => [ids.join('+'), isPerhaps])).toEqual([
      ['', false],
      ['june+summer', true],
      ['', false],
    ])
  })
})
