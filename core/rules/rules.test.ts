import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chooseVariation } from './choose.ts'
import type { Ruled } from './chosen.ts'
import { drawnCoverage } from '../../test/arrange/drawnCoverage.ts'
import { ruleHolds } from './matches.ts'
import { axisOf } from './axis.ts'
import { faultOfRule } from './checkRule.ts'
import type { EventKind } from '../events/kinds.ts'
import { movedBefore, orderAdvice } from './reorder.ts'
import { askEach, sentenceOf, whyOf } from './why.ts'
import { wordsOfRule } from './words.ts'
import { wordsOfBox } from './wordsOfBox.ts'
import { holdsPoint, subtractBox } from './region.ts'
import { rule as ruleSchema, type Comparison, type Rule, type Share } from './schema.ts'
import { pointOf, regionOf, spaceOf } from './space.ts'
import type { RuleValues } from './values.ts'

const on = (...kinds: EventKind[]) => ({ kinds, offer: null })
const resub = on('resubscription')

const small = fc.integer({ min: 0, max: 14 })
const number = fc.constantFrom('months', 'streak')
const tiers = fc.uniqueArray(fc.constantFrom('1', '2', '3'), { minLength: 1 })
const comparison: fc.Arbitrary<Comparison> = fc.oneof(
  fc.record({
    field: number,
    is: fc.constantFrom('exactly' as const, 'not' as const, 'atLeast' as const, 'atMost' as const),
    value: small,
  }),
  fc
    .tuple(number, small, small)
    .map(([field, a, b]) => ({ field, is: 'between' as const, from: Math.min(a, b), to: Math.max(a, b) })),
  fc.record({ field: fc.constant('tier'), is: fc.constantFrom('oneOf' as const, 'noneOf' as const), values: tiers }),
  fc.record({
    field: fc.constant('message'),
    is: fc.constant('contains' as const),
    text: fc.constantFrom('bread', 'rye'),
  }),
)
const match = fc.constantFrom('all' as const, 'any' as const, 'none' as const)
const group = fc.record({ match, of: fc.array(comparison, { minLength: 1, maxLength: 3 }) })
const anyRule: fc.Arbitrary<Rule> = fc.record({
  match,
  of: fc.array(
    fc.oneof({ weight: 3, arbitrary: comparison as fc.Arbitrary<Rule['of'][number]> }, { weight: 1, arbitrary: group }),
    { minLength: 1, maxLength: 3 },
  ),
})
const share: fc.Arbitrary<Share | null> = fc.option(
  fc.record({ group: fc.constantFrom('a', 'b'), weight: fc.integer({ min: 1, max: 5 }) }),
  { freq: 2 },
)
const ruled = fc
  .array(fc.record({ rule: fc.option(anyRule, { freq: 8 }), share }), { minLength: 1, maxLength: 6 })
  .map((list) => list.map((each, index): Ruled => ({ id: `v${index}`, ...each })))
const values: fc.Arbitrary<RuleValues> = fc.record({
  months: fc.oneof(small, fc.constant(1_000_000_000)),
  tier: fc.constantFrom('1', '2', '3'),
  streak: fc.option(small, { nil: undefined }),
  message: fc.option(fc.constantFrom('bread', 'Rye', 'rye bread', 'no'), { nil: undefined }),
})

describe('regions', () => {
  it('are what the matcher says, at every point', () => {
    fc.assert(
      fc.property(anyRule, values, (rule, at) => {
        expect(ruleSchema.safeParse(rule).success).toBe(true)
        const space = spaceOf(resub, [rule])
        expect(holdsPoint(regionOf(space, rule), pointOf(space, at))).toBe(ruleHolds(rule, at))
      }),
      { numRuns: 600 },
    )
  })
  it('subtract without overlap and without loss', () => {
    const span = fc.tuple(small, small).map(([a, b]) => [Math.min(a, b), Math.max(a, b)])
    const box = fc.tuple(span, span, span).map((spans) => spans.flat())
    fc.assert(
      fc.property(box, box, fc.tuple(small, small, small), (from, taken, point) => {
        const left = subtractBox(from, taken)
        const inside = left.filter((each) => holdsPoint([each], point))
        expect(inside.length).toBe(holdsPoint([from], point) && !holdsPoint([taken], point) ? 1 : 0)
      }),
    )
  })
})

describe('coverage', () => {
  it('never disagrees with the choice: who can be chosen is who plays there', () => {
    fc.assert(
      fc.property(ruled, values, fc.string(), (variations, at, key) => {
        const { space, variations: covered, gaps } = drawnCoverage(resub, variations)
        const point = pointOf(space, at)
        const { variation, draw } = chooseVariation(variations, at, key)
        const candidates = draw?.odds.map(({ id }) => id) ?? [variation?.id ?? []].flat()
        expect(covered.filter(({ plays }) => holdsPoint(plays, point)).map(({ id }) => id)).toEqual(candidates)
        expect(holdsPoint(gaps, point)).toBe(variation === null)
        if (variation) expect(candidates).toContain(variation.id)
      }),
      { numRuns: 600 },
    )
  })
  it('says who is hidden, and by whom', () => {
    const atLeast = (id: string, value: number): Ruled => ({
      id,
      share: null,
      rule: { match: 'all', of: [{ field: 'months', is: 'atLeast', value }] },
    })
    const exactly: Ruled = {
      id: 'year',
      share: null,
      rule: { match: 'all', of: [{ field: 'months', is: 'exactly', value: 12 }] },
    }
    const states = (list: Ruled[]) => drawnCoverage(resub, list).variations.map(({ id, state, by }) => [id, state, by])
    expect(states([atLeast('two', 2), exactly, { id: 'everyday', rule: null, share: null }])).toEqual([
      ['two', 'open', []],
      ['year', 'unreachable', ['two']],
      ['everyday', 'open', ['two', 'year']],
    ])
    expect(states([exactly, atLeast('two', 2)])).toEqual([
      ['year', 'open', []],
      ['two', 'shadowed', ['year']],
    ])
  })
})

describe('a draw', () => {
  const variations: Ruled[] = [
    { id: 'often', rule: null, share: { group: 'g', weight: 3 } },
    { id: 'rare', rule: null, share: { group: 'g', weight: 1 } },
  ]
  it('is the same for the same event on any machine', () => {
    const drawn = ['feed/1/tip', 'feed/2/tip', 'feed/3/tip', 'feed/4/tip', 'feed/5/tip', 'feed/6/tip'].map((key) =>
      chooseVariation(variations, {}, key),
    )
    expect(drawn.map(({ draw }) => draw?.lot.toFixed(6))).toEqual([
      '0.790797',
      '0.501506',
      '0.172025',
      '0.346231',
      '0.385071',
      '0.153843',
    ])
    expect(drawn.every(({ variation, draw }) => variation?.id === ((draw?.lot ?? 0) < 0.75 ? 'often' : 'rare'))).toBe(
      true,
    )
  })
  it('keeps to its weights', () => {
    const rare = Array.from(
      { length: 4000 },
      (_, index) => chooseVariation(variations, {}, `event-${index}`).variation?.id,
    ).filter((id) => id === 'rare').length
    expect(rare / 4000).toBeGreaterThan(0.22)
    expect(rare / 4000).toBeLessThan(0.28)
  })
})

describe('rules that cannot be', () => {
  it.each([
    ['min above max', { field: 'months', is: 'between', from: 9, to: 3 }, 'nothing lies between'],
    ['an empty choice', { field: 'tier', is: 'oneOf', values: [] }, 'nothing is chosen'],
    ['less than nothing', { field: 'months', is: 'atLeast', value: -1 }, 'less than nothing'],
    ['an empty text', { field: 'message', is: 'contains', text: '' }, 'contains nothing'],
  ])('are refused: %s', (_what, comparison, words) => {
    expect(
      ruleSchema
        .safeParse({ match: 'all', of: [comparison] })
        .error?.issues.map((issue) => JSON.stringify(issue))
        .join(),
    ).toContain(words)
  })
})

describe('rules in words', () => {
  const locale = { locale: 'en-IE', currency: 'EUR' }
  it.each<[string, EventKind, Rule | null]>([
    ['every time', 'follow', null],
    [
      'months is at least 12 and the tier is III',
      'resubscription',
      {
        match: 'all',
        of: [
          { field: 'months', is: 'atLeast', value: 12 },
          { field: 'tier', is: 'oneOf', values: ['3'] },
        ],
      },
    ],
    [
      'the amount is from €5.00 to €19.99',
      'tip',
      { match: 'all', of: [{ field: 'amount', is: 'between', from: 500, to: 1999 }] },
    ],
    [
      'not when the message contains “rye” or the viewer is anonymous',
      'tip',
      {
        match: 'none',
        of: [
          { field: 'message', is: 'contains', text: 'rye' },
          { field: 'viewer', is: 'oneOf', values: ['anonymous'] },
        ],
      },
    ],
    [
      'the party is exactly 1,000 or (the party is not 5)',
      'raid',
      {
        match: 'any',
        of: [
          { field: 'party', is: 'exactly', value: 1000 },
          { match: 'all', of: [{ field: 'party', is: 'not', value: 5 }] },
        ],
      },
    ],
  ])('read aloud: %s', (words, kind, rule) => expect(wordsOfRule(on(kind), rule, locale)).toBe(words))

  it('are refused for kinds that never say what they ask', () => {
    const of = (comparison: Comparison): Rule => ({ match: 'all', of: [comparison] })
    expect(faultOfRule(on('follow'), of({ field: 'months', is: 'atLeast', value: 2 }))).toBe(
      'these events never say “months”',
    )
    expect(faultOfRule(on('tip'), of({ field: 'amount', is: 'contains', text: '5' }))).toBe(
      'the amount cannot be compared in this way',
    )
    expect(faultOfRule(on('subscription'), of({ field: 'tier', is: 'oneOf', values: ['4'] }))).toBe(
      'the tier is never “4”',
    )
    expect(faultOfRule(on('subscription'), of({ field: 'tier', is: 'oneOf', values: ['3'] }))).toBeNull()
  })
  it('say why, as a tree and as a sentence', () => {
    const variations = [
      {
        id: 'year',
        name: 'A year of bread',
        share: null,
        rule: { match: 'all' as const, of: [{ field: 'months', is: 'exactly' as const, value: 12 }] },
      },
      { id: 'everyday', name: 'Everyday', share: null, rule: null },
    ]
    const why = (months: number) => {
      const values = { months }
      const { variation, draw } = chooseVariation(variations, values, 'k')
      return whyOf('resub', askEach(resub, variations, values, locale), variation?.id ?? null, draw)
    }
    expect(why(12).variations.map(({ outcome }) => outcome)).toEqual(['plays', 'held'])
    expect(why(11).variations[0]?.terms).toEqual([{ words: 'months is exactly 12', holds: false, said: '11', of: [] }])
    expect(sentenceOf(why(12))).toBe('“A year of bread” plays because months is exactly 12 (it is 12).')
    expect(sentenceOf(why(11))).toBe('“Everyday” plays: no special case before it applies.')
  })
})

describe('a rule that is asked for its reasons', () => {
  it('holds where it holds without them', () => {
    fc.assert(
      fc.property(ruled, values, (variations, at) => {
        const named = variations.map((each) => ({ ...each, name: each.id }))
        expect(askEach(resub, named, at, { locale: 'en-IE', currency: 'EUR' }).map(({ holds }) => holds)).toEqual(
          named.map(({ rule }) => ruleHolds(rule, at)),
        )
      }),
      { numRuns: 400 },
    )
  })
})

describe('gaps in words', () => {
  const gapsOf = (kind: EventKind, ...rules: Rule[]) => {
    const { space, gaps } = drawnCoverage(
      on(kind),
      rules.map((rule, index) => ({ id: `v${index}`, rule, share: null })),
    )
    return gaps.map((box) => wordsOfBox(space, box, { locale: 'en-IE', currency: 'EUR' }))
  }
  const asks = (...of: Comparison[]): Rule => ({ match: 'all', of })
  it('say what finds no case', () => {
    expect(gapsOf('resubscription', asks({ field: 'months', is: 'atLeast', value: 2 }))).toEqual([
      'months is at most 1',
    ])
    expect(gapsOf('subscription', asks({ field: 'tier', is: 'oneOf', values: ['1', '3'] }))).toEqual(['the tier is II'])
    expect(gapsOf('tip', asks({ field: 'amount', is: 'atLeast', value: 0 }))).toEqual([
      'the amount is in a currency without a rate',
    ])
    expect(gapsOf('raid', asks({ field: 'role', is: 'oneOf', values: ['vip'] }))).toEqual([
      'the viewer’s role is not VIP',
    ])
    expect(gapsOf('chatMessage', asks({ field: 'message', is: 'contains', text: 'rye' }))).toEqual([
      'the message does not contain “rye”',
    ])
  })
  it('there are none where everything that can be is covered', () =>
    expect(gapsOf('subscription', asks({ field: 'tier', is: 'oneOf', values: ['1', '2', '3'] }))).toEqual([]))
})

describe('advice about the order', () => {
  const ruledBy = (id: string, is: 'atLeast' | 'exactly', value: number): Ruled => ({
    id,
    share: null,
    rule: { match: 'all', of: [{ field: 'months', is, value }] },
  })
  it('puts the special case before what hides it, where that hides nobody', () => {
    const list = [ruledBy('two', 'atLeast', 2), ruledBy('year', 'exactly', 12), ruledBy('years', 'atLeast', 24)]
    expect(orderAdvice(resub, list)).toEqual([
      { id: 'year', before: 'two' },
      { id: 'years', before: 'two' },
    ])
    expect(movedBefore(list, 'year', 'two').map(({ id }) => id)).toEqual(['year', 'two', 'years'])
    expect(orderAdvice(resub, [ruledBy('a', 'exactly', 5), ruledBy('b', 'exactly', 5)])).toEqual([])
  })
})

describe('the axis', () => {
  it('is the choice along its numbers, row by row', () => {
    fc.assert(
      fc.property(
        ruled,
        fc.integer({ min: 0, max: 20 }),
        fc.constantFrom('1', '2', '3'),
        (variations, months, tier) => {
          const coverage = drawnCoverage(resub, variations)
          const { dimension, facet, rows } = axisOf(coverage)
          const row = rows.find(({ value }) => facet === null || value === Number(tier) - 1)
          const axis = dimension === null ? null : coverage.space.dimensions[dimension]?.id
          const stretch = row?.stretches.find(({ first, last }) =>
            axis !== 'months' ? true : first <= months && months <= last,
          )
          // Whoever is chosen for an event on a stretch is named there.
          if (axis === 'streak') return
          const { variation } = chooseVariation(variations, { months, tier, message: 'bread', streak: 3 }, 'k')
          if (variation) expect(stretch?.ids).toContain(variation.id)
          else expect(stretch?.hasGap).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})
