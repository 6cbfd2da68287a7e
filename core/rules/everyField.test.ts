import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { EventKind } from '../events/kinds.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { axisOf, facetsOf } from './axis.ts'
import { comparisonsFor, faultOfRule } from './checkRule.ts'
import { chooseVariation } from './choose.ts'
import type { Circumstances } from './circumstances.ts'
import type { Ruled } from './chosen.ts'
import { coverageOf } from './coverage.ts'
import { drawnCoverage } from '../../test/arrange/drawnCoverage.ts'
import { exampleOf } from './exampleOf.ts'
import { fieldsOf, type Listener, type RuleField } from './fields.ts'
import { isDrawn } from './isDrawn.ts'
import { boundaryRange, canMoveBoundary, movedBoundary } from './moveBoundary.ts'
import { holdsPoint } from './region.ts'
import { rule as ruleSchema, type Comparison, type Rule } from './schema.ts'
import { pointOf } from './space.ts'
import { ruleValuesOf } from './values.ts'
import { wordsOfRule } from './words.ts'

const channel = { currency: 'EUR', rates: { USD: 0.9 }, timeZone: 'Europe/Lisbon' }
const kinds: EventKind[] = ['resubscription', 'tip', 'surgeLevelled', 'chatMessage']
const file = (digit: string) => digit.repeat(64)
const listener: Listener = {
  kinds,
  offer: {
    kind: 'sound',
    options: [
      { id: 'bell', label: 'Bell', mediaId: file('a') },
      { id: 'kettle', label: 'Kettle', mediaId: file('b') },
    ],
  },
}

/** Ends that lie near what the events below say. */
const near: Record<'number' | 'money' | 'span', fc.Arbitrary<number>> = {
  number: fc.integer({ min: 0, max: 14 }),
  money: fc.integer({ min: 0, max: 30 }).map((euros) => euros * 100),
  span: fc.integer({ min: 0, max: 5 }).map((days) => days * 1440),
}
const ends = {
  clock: ['00:00', '04:00', '12:30', '22:00'],
  season: ['01-06', '02-29', '06-24', '12-01'],
  date: ['2026-06-24', '2026-11-25', '2026-12-31'],
} as const

function comparisonOf(field: RuleField): fc.Arbitrary<Comparison> {
  const id = fc.constant(field.id)
  switch (field.type) {
    case 'number':
    case 'money':
    case 'span':
      return fc.oneof(
        fc.record({ field: id, is: fc.constantFrom('atLeast' as const, 'atMost' as const), value: near[field.type] }),
        fc
          .tuple(near[field.type], near[field.type])
          .map(([a, b]) => ({ field: field.id, is: 'between' as const, from: Math.min(a, b), to: Math.max(a, b) })),
      )
    case 'clock':
    case 'season':
    case 'date':
      return fc
        .record({
          field: id,
          is: fc.constant('within' as const),
          from: fc.constantFrom(...ends[field.type]),
          to: fc.constantFrom(...ends[field.type]),
        })
        .filter((each) => ruleSchema.safeParse({ match: 'all', of: [each] }).success)
    case 'choice':
    case 'set':
      return fc.record({
        field: id,
        is: fc.constantFrom('oneOf' as const, 'noneOf' as const),
        values: fc.uniqueArray(fc.constantFrom(...field.options.map(({ value }) => value)), { minLength: 1 }),
      })
    case 'text':
      return fc.oneof(
        fc.record({ field: id, is: fc.constant('contains' as const), text: fc.constantFrom('rye', 'bread') }),
        fc.record({ field: id, is: fc.constant('oneOf' as const), values: fc.constant<string[]>(['rye']) }),
      )
  }
}
const comparison = fc.constantFrom(...fieldsOf(listener)).chain(comparisonOf)
const match = fc.constantFrom('all' as const, 'any' as const, 'none' as const)
const group = fc.record({ match, of: fc.array(comparison, { minLength: 1, maxLength: 2 }) })
const anyRule: fc.Arbitrary<Rule> = fc.record({
  match,
  of: fc.array(
    fc.oneof({ weight: 3, arbitrary: comparison as fc.Arbitrary<Rule['of'][number]> }, { weight: 1, arbitrary: group }),
    { minLength: 1, maxLength: 3 },
  ),
})
const ruled = fc
  .array(fc.option(anyRule, { freq: 8 }), { minLength: 1, maxLength: 5 })
  .map((rules) => rules.map((rule, index): Ruled => ({ id: `v${index}`, rule, share: null })))

const roles = fc.option(fc.subarray(['subscriber', 'vip', 'moderator', 'baker']), { nil: undefined })
const happened: fc.Arbitrary<{ event: CanonicalEvent; circumstances: Circumstances }> = fc
  .record({
    kind: fc.constantFrom(...kinds),
    occurredAtMs: fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2027, 1, 1) }),
    months: fc.integer({ min: 0, max: 15 }),
    amountMinor: fc.integer({ min: 0, max: 3200 }),
    currency: fc.constantFrom('EUR', 'USD', 'JPY'),
    isNamed: fc.boolean(),
    roles,
    text: fc.option(fc.constantFrom('rye', 'Rye bread', 'good evening'), { nil: undefined }),
    choice: fc.option(fc.constantFrom('bell', 'kettle', 'gone'), { nil: undefined }),
    platform: fc.constantFrom('alder', 'till', 'api'),
    agoMs: fc.option(fc.integer({ min: 0, max: 6 * 86_400_000 })),
  })
  .map(({ kind, occurredAtMs, months, amountMinor, currency, isNamed, roles: had, text, choice, platform, agoMs }) => {
    const sample = sampleEvent(kind, 'everyday', occurredAtMs)
    const { message: _message, ...data } = sample.data
    const owns: Partial<Record<EventKind, object>> = { resubscription: { months }, tip: { amountMinor, currency } }
    const own = owns[kind] ?? {}
    // What was said in the chat is never nothing.
    const words = text ?? (kind === 'chatMessage' ? '' : undefined)
    const said = words === undefined ? {} : { message: { text: words } }
    const event = {
      ...sample,
      data: {
        ...data,
        ...own,
        ...said,
        viewer: isNamed ? { id: 'v', name: 'pip_rye', ...(had ? { roles: had } : {}) } : null,
        ...(choice ? { choice } : {}),
      },
    } as CanonicalEvent
    return { event, circumstances: { platform, previousAtMs: agoMs === null ? null : occurredAtMs - agoMs } }
  })

describe('coverage of every field there is, over several kinds', () => {
  it('never disagrees with the choice', () => {
    fc.assert(
      fc.property(ruled, happened, (variations, { event, circumstances }) => {
        const values = ruleValuesOf(event, channel, circumstances, listener.offer)
        const coverage = coverageOf(listener, variations)
        fc.pre(isDrawn(coverage))
        const { space, variations: covered, gaps } = coverage
        const point = pointOf(space, values)
        const { variation } = chooseVariation(variations, values, 'k')
        expect(covered.filter(({ plays }) => holdsPoint(plays, point)).map(({ id }) => id)).toEqual(
          variation ? [variation.id] : [],
        )
        // A gap is only where something can come.
        if (holdsPoint(space.whole, point)) expect(holdsPoint(gaps, point)).toBe(variation === null)
      }),
      { numRuns: 800 },
    )
  })

  it('has an example for what plays, and that is what is chosen for it', () => {
    let count = 0
    fc.assert(
      fc.property(ruled, (variations) => {
        for (const { id } of variations) {
          const example = exampleOf(
            listener,
            variations,
            (kind) => sampleEvent(kind, 'everyday', Date.UTC(2026, 10, 25, 1)),
            id,
            channel,
          )
          if (!example) continue
          count += 1
          expect(
            chooseVariation(
              variations,
              ruleValuesOf(example.event, channel, example.circumstances, listener.offer),
              'k',
            ).variation?.id,
          ).toBe(id)
        }
      }),
      { numRuns: 200 },
    )
    expect(count).toBeGreaterThan(200)
  })

  it('is drawn by any of its choices, and says who is chosen', () => {
    fc.assert(
      fc.property(ruled, happened, (variations, { event, circumstances }) => {
        const values = ruleValuesOf(event, channel, circumstances, listener.offer)
        const coverage = coverageOf(listener, variations)
        fc.pre(isDrawn(coverage))
        const point = pointOf(coverage.space, values)
        const { variation } = chooseVariation(variations, values, 'k')
        for (const facet of facetsOf(coverage)) {
          const { dimension, rows } = axisOf(coverage, facet)
          const along = dimension === null ? 0 : (point[dimension] as number)
          const row = rows.find(({ value }) => value === point[facet])
          const stretch = row?.stretches.find(({ first, last }) =>
            row.stretches.length === 1 ? true : first <= along && along <= last,
          )
          if (row && along >= 0 && variation) expect(stretch?.ids).toContain(variation.id)
        }
      }),
      { numRuns: 300 },
    )
  })
})

describe('fields of several kinds', () => {
  it('are those of any of them, each once, with the kind itself and the choice', () => {
    const ids = fieldsOf(listener).map(({ id }) => id)
    expect(ids).toEqual(
      expect.arrayContaining([
        'kind',
        'months',
        'amount',
        'level',
        'message',
        'platform',
        'role',
        'visit',
        'since',
        'time',
        'weekday',
        'season',
        'date',
        'choice',
      ]),
    )
    expect(new Set(ids).size).toBe(ids.length)
    expect(fieldsOf({ kinds: ['goalReached'], offer: null }).map(({ id }) => id)).not.toContain('role')
  })
  it('each have a way to be compared that is not refused', () => {
    fc.assert(
      fc.property(comparison, (of) => {
        expect(faultOfRule(listener, { match: 'all', of: [of] })).toBeNull()
      }),
    )
    for (const field of fieldsOf(listener)) expect(comparisonsFor(field).length).toBeGreaterThan(0)
  })
})

describe('time in rules', () => {
  const on = (field: string, from: string, to: string): Rule => ({
    match: 'all',
    of: [{ field, is: 'within', from, to }],
  })
  const holds = (rule: Rule, atMs: number) =>
    chooseVariation(
      [{ id: 'v', rule, share: null }],
      ruleValuesOf(sampleEvent('follow', 'everyday', atMs), channel, { platform: 'alder', previousAtMs: null }, null),
      'k',
    ).variation !== null
  it.each([
    ['the night of the bakery, before midnight', on('time', '22:00', '04:00'), '2026-11-25T23:59:00Z', true],
    ['after midnight', on('time', '22:00', '04:00'), '2026-11-26T03:59:00Z', true],
    ['not its end', on('time', '22:00', '04:00'), '2026-11-26T04:00:00Z', false],
    ['by the channel’s clock: summer time', on('time', '22:00', '04:00'), '2026-07-01T21:00:00Z', true],
    ['a season over New Year', on('season', '12-01', '01-06'), '2027-01-06T23:00:00Z', true],
    ['and not the day after', on('season', '12-01', '01-06'), '2027-01-07T00:10:00Z', false],
    ['the 29th of February in a year without one', on('season', '02-28', '03-01'), '2026-03-01T12:00:00Z', true],
    ['a date, its last day included', on('date', '2026-11-20', '2026-11-25'), '2026-11-25T23:00:00Z', true],
    ['and only that year', on('date', '2026-11-20', '2026-11-25'), '2027-11-22T12:00:00Z', false],
  ])('%s', (_what, rule, at, expected) => expect(holds(rule, Date.parse(at))).toBe(expected))

  it.each([
    ['25:00', '03:00'],
    ['22:00', '22:00'],
    ['02-30', '03-01'],
    ['2026-12-24', '2026-12-01'],
    ['22:00', '12-01'],
    ['soon', 'later'],
  ])('is refused where it is none: %s to %s', (from, to) => {
    expect(ruleSchema.safeParse(on('time', from, to)).success).toBe(false)
  })
  it('is refused on the wrong scale', () =>
    expect(faultOfRule({ kinds: ['follow'], offer: null }, on('time', '12-01', '01-06'))).toBe(
      'the time is written otherwise',
    ))
  it('is read aloud', () => {
    const locale = { locale: 'en-IE', currency: 'EUR' }
    expect(wordsOfRule(listener, on('time', '22:00', '04:00'), locale)).toBe('the time is from 22:00 to 04:00')
    expect(wordsOfRule(listener, on('season', '12-01', '01-06'), locale)).toBe(
      'the day is from 1 December to 6 January of any year',
    )
    expect(
      wordsOfRule(
        listener,
        {
          match: 'all',
          of: [
            { field: 'since', is: 'atLeast', value: 43_200 },
            { field: 'visit', is: 'oneOf', values: ['again'] },
            { field: 'role', is: 'oneOf', values: ['vip', 'moderator'] },
          ],
        },
        locale,
      ),
    ).toBe(
      'the last time is at least 30 days ago and for this viewer it is not the first time and the viewer’s role is VIP or moderator'.replace(
        'ago and for',
        'ago, for',
      ),
    )
  })
})

describe('moving a boundary', () => {
  const list: Ruled[] = [
    { id: 'loaf', share: null, rule: { match: 'all', of: [{ field: 'amount', is: 'between', from: 2000, to: 9999 }] } },
    { id: 'slice', share: null, rule: { match: 'all', of: [{ field: 'amount', is: 'between', from: 500, to: 1999 }] } },
    { id: 'one', share: null, rule: { match: 'all', of: [{ field: 'amount', is: 'exactly', value: 300 }] } },
  ]
  it('keeps neighbours neighbours', () => {
    expect(movedBoundary(list, 'amount', 2000, 2500).map(({ id, rule }) => [id, rule.of[0]])).toEqual([
      ['loaf', { field: 'amount', is: 'between', from: 2500, to: 9999 }],
      ['slice', { field: 'amount', is: 'between', from: 500, to: 2499 }],
    ])
  })
  it('turns exactly one number into a stretch and back', () => {
    const [stretched] = movedBoundary(list, 'amount', 301, 304)
    expect(stretched?.rule.of).toEqual([{ field: 'amount', is: 'between', from: 300, to: 303 }])
    expect(
      movedBoundary([{ id: 'one', share: null, rule: stretched?.rule ?? null }], 'amount', 304, 301)[0]?.rule.of,
    ).toEqual([{ field: 'amount', is: 'exactly', value: 300 }])
  })
  it('stops before the next one, and leaves alone what is none', () => {
    expect(boundaryRange(list, 'amount', 2000, 1_000_000)).toEqual({ first: 501, last: 9999 })
    expect(canMoveBoundary(list, 'amount', 2000)).toBe(true)
    expect(canMoveBoundary(list, 'amount', 2001)).toBe(false)
    expect(
      canMoveBoundary(
        [{ id: 'not', share: null, rule: { match: 'all', of: [{ field: 'amount', is: 'not', value: 5 }] } }],
        'amount',
        5,
      ),
    ).toBe(false)
  })
  it('moves what the coverage shows, wherever it goes', () => {
    const edge = fc.integer({ min: 501, max: 9999 })
    fc.assert(
      fc.property(edge, (to) => {
        const changed = list.map((each) => ({
          ...each,
          rule: movedBoundary(list, 'amount', 2000, to).find(({ id }) => id === each.id)?.rule ?? each.rule,
        }))
        const firsts = axisOf(drawnCoverage({ kinds: ['tip'], offer: null }, changed))
          .rows.flatMap((row) => row.stretches)
          .filter(({ ids }) => ids.includes('loaf'))
          .map(({ first }) => first)
        expect(firsts).toEqual([to])
      }),
    )
  })
})
