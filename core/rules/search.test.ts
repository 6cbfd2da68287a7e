import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import { chooseVariation } from './choose.ts'
import type { Ruled } from './chosen.ts'
import { plainCircumstances } from './circumstances.ts'
import { coverageOf, statesOf } from './coverage.ts'
import { contains, manyGroups, manyTexts } from '../../test/arrange/manyRules.ts'
import { exampleOf } from './exampleOf.ts'
import type { Listener } from './fields.ts'
import { implies, shapeOf } from './implies.ts'
import { orderAdvice } from './reorder.ts'
import type { Comparison, Rule } from './schema.ts'
import { all, conditionOf, find, not, stretchesOf } from './search.ts'
import { spaceOf } from './space.ts'
import { ruleValuesOf } from './values.ts'

const listener: Listener = { kinds: ['resubscription', 'raid'], offer: null }
const channel = { locale: 'en-IE', currency: 'EUR', timeZone: 'Europe/Lisbon', rates: {} }
const nothingDrawn = { boxes: 0, comparisons: 5_000_000 }

const comparison: fc.Arbitrary<Comparison> = fc.oneof(
  fc.record({ field: fc.constant('months'), is: fc.constantFrom('atLeast', 'exactly', 'not'), value: fc.nat(4) }),
  fc.record({ field: fc.constant('party'), is: fc.constantFrom('atMost', 'exactly'), value: fc.nat(4) }),
  fc.record({
    field: fc.constant('tier'),
    is: fc.constantFrom('oneOf', 'noneOf'),
    values: fc.uniqueArray(fc.constantFrom('1', '2', '3'), { minLength: 1, maxLength: 2 }),
  }),
  fc.record({
    field: fc.constant('role'),
    is: fc.constantFrom('oneOf', 'noneOf'),
    values: fc.uniqueArray(fc.constantFrom('vip', 'moderator'), { minLength: 1 }),
  }),
  fc.record({ field: fc.constant('message'), is: fc.constant('contains'), text: fc.constantFrom('bread', 'rye') }),
  fc.record({
    field: fc.constant('kind'),
    is: fc.constant('oneOf'),
    values: fc.uniqueArray(fc.constantFrom('resubscription', 'raid'), { minLength: 1 }),
  }),
) as fc.Arbitrary<Comparison>
const match = fc.constantFrom('all', 'any', 'none')
const group = fc.record({ match, of: fc.array(comparison, { minLength: 1, maxLength: 3 }) })
const rule = fc.record({
  match,
  of: fc.array(fc.oneof(comparison, group), { minLength: 1, maxLength: 3 }),
}) as fc.Arbitrary<Rule>
const ruled: fc.Arbitrary<Ruled[]> = fc
  .array(
    fc.record({
      rule: fc.option(rule, { freq: 6 }),
      share: fc.option(fc.record({ group: fc.constantFrom('a', 'b'), weight: fc.constant(1) }), { freq: 1 }),
    }),
    { minLength: 1, maxLength: 5 },
  )
  .map((list) => list.map((each, index) => ({ id: `v${index}`, ...each })))

describe('what can be said without drawing', () => {
  it('is what the drawing says: who plays, who is hidden by whom, whether nothing plays anywhere', () => {
    fc.assert(
      fc.property(ruled, (variations) => {
        const drawn = coverageOf(listener, variations)
        const said = coverageOf(listener, variations, nothingDrawn)
        const plain = ({ id, state, by }: (typeof said.variations)[number]) => [id, state, by]
        expect(drawn.gaps).not.toBeNull()
        expect(said.gaps).toBeNull()
        expect(said.variations.map(plain)).toEqual(drawn.variations.map(plain))
        expect(said.gap === false).toBe(drawn.gap === false)
        expect(statesOf(listener, variations).map(({ state }) => state)).toEqual(
          said.variations.map(({ state }) => state),
        )
      }),
      { numRuns: 600 },
    )
  })

  it('a rule that visibly asks for all that another asks never holds where the other does not', () => {
    const narrowed = fc.oneof(
      fc.tuple(rule, rule),
      // What is plain to see: the one rule with something more asked.
      fc.tuple(rule, rule).map(([one, more]): [Rule, Rule] => [{ match: 'all', of: [...one.of, ...more.of] }, one]),
      rule.map((one): [Rule, Rule] => [one, one]),
    )
    let implied = 0
    fc.assert(
      fc.property(narrowed, ([narrow, wide]) => {
        const space = spaceOf(listener, [narrow, wide])
        if (!implies(shapeOf(space, narrow), shapeOf(space, wide), { left: 10_000 })) return
        implied += 1
        const search = {
          space,
          stretches: stretchesOf(space, [narrow, wide]),
          whole: space.whole,
          budget: { left: 5_000_000 },
        }
        expect(find(search, all([conditionOf(space, narrow), not(conditionOf(space, wide))]))).toBe(false)
      }),
      { numRuns: 600 },
    )
    expect(implied).toBeGreaterThan(200)
  })

  it('says that it cannot be told where it takes too long, and nothing wrong', () => {
    const said = coverageOf({ kinds: ['resubscription'], offer: null }, manyGroups(12), { boxes: 0, comparisons: 10 })
    expect(said.variations[0]?.state).toBe('untold')
  })
})

describe('rules that are too many to draw', () => {
  const resub: Listener = { kinds: ['resubscription'], offer: null }
  const hostile: [string, Ruled[]][] = [
    ['twenty groups', manyGroups(20)],
    ['forty-nine cases of two texts', manyTexts(49)],
  ]

  it.each(hostile)('%s: what becomes of each is still said', (_, variations) => {
    const { gaps, gap, variations: said } = coverageOf(resub, variations)
    expect([gaps, gap]).toEqual([null, false])
    expect(said[0]).toMatchObject({ state: 'open', by: [], plays: null })
    expect(said.map(({ state }) => state)).not.toContain('untold')
    expect(said.at(-1)?.by).toEqual(variations.slice(0, -1).map(({ id }) => id))
  })

  it.each(hostile)('%s: each has an example that it is chosen for', (_, variations) => {
    for (const { id } of [variations[0]!, variations.at(-2)!, variations.at(-1)!]) {
      const sampleOf = (kind: 'resubscription') => sampleEvent(kind, 'everyday', 0)
      const example = exampleOf(resub, variations, sampleOf as never, id, channel)
      const values = example && ruleValuesOf(example.event, channel, plainCircumstances, null)
      expect(values && chooseVariation(variations, values, 'k').variation?.id).toBe(id)
    }
  })

  it('a copy of one, and a copy made narrower, are said to be hidden by it', () => {
    const [grouped, everyday] = manyGroups(20) as [Ruled, Ruled]
    const of = grouped.rule?.of.slice(1) ?? []
    const shared = { group: 'a', weight: 1 }
    const ends = (variations: Ruled[]) =>
      coverageOf(resub, variations).variations.map(({ id, state, by }) => [id, state, by])
    const narrower: Ruled = {
      ...grouped,
      id: 'narrower',
      rule: { match: 'all', of: [...of, grouped.rule!.of[0]!, contains('rye')] },
    }
    expect(ends([grouped, { ...grouped, id: 'copy' }, narrower, everyday]).slice(1, 3)).toEqual([
      ['copy', 'unreachable', ['grouped']],
      ['narrower', 'unreachable', ['grouped', 'copy']],
    ])
    // Of some that share, none hides another.
    const sharing = [grouped, { ...grouped, id: 'copy' }].map((each) => ({ ...each, share: shared }))
    expect(ends([...sharing, everyday]).map(([, state]) => state)).not.toContain('unreachable')
  })

  it('the order that mends one that never plays is found', () => {
    const hidden: Ruled = {
      id: 'hidden',
      share: null,
      rule: { match: 'all', of: [contains('one 10'), contains('two 10'), contains('three')] },
    }
    const variations = [...manyTexts(12).slice(0, -1), hidden, { id: 'everyday', rule: null, share: null }]
    const advice = orderAdvice(resub, variations)
    expect(advice).toContainEqual({ id: 'hidden', before: 'text-0' })
  })
})
