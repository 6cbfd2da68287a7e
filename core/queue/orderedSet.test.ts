import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { OrderedSet } from './orderedSet.ts'

type Item = { key: number; weight: number }
const empty = OrderedSet.empty<Pick<Item, 'key'>, Item>({
  compare: (a, b) => a.key - b.key,
  weigh: ({ weight }) => weight,
})
const change = fc.oneof(
  fc.record({ add: fc.record({ key: fc.integer({ min: 0, max: 60 }), weight: fc.integer({ min: 0, max: 9 }) }) }),
  fc.record({ take: fc.integer({ min: 0, max: 60 }) }),
)

describe('an ordered set', () => {
  it('is as a sorted list is, after any changes, and earlier ones stay as they were', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 200 }), (changes) => {
        let set = empty
        const model = new Map<number, Item>()
        const before: { set: typeof set; keys: number[] }[] = []
        for (const each of changes) {
          if ('add' in each) {
            model.set(each.add.key, each.add)
            set = set.with(each.add)
          } else {
            const isThere = model.delete(each.take)
            const without = set.without({ key: each.take })
            if (!isThere) expect(without).toBe(set)
            set = without
          }
          const sorted = [...model.values()].sort((a, b) => a.key - b.key)
          expect([...set]).toEqual(sorted)
          expect(set.size).toBe(sorted.length)
          expect(set.sum).toBe(sorted.reduce((sum, { weight }) => sum + weight, 0))
          expect(set.first).toEqual(sorted[0] ?? null)
          before.push({ set, keys: sorted.map(({ key }) => key) })
        }
        for (const { set: earlier, keys } of before) expect([...earlier].map(({ key }) => key)).toEqual(keys)
      }),
      { numRuns: 60 },
    )
  })

  it('finds, and goes on from a key that is or is not there', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 500 }), { maxLength: 120 }),
        fc.integer({ min: 0, max: 500 }),
        (keys, from) => {
          let set = empty
          for (const key of keys) set = set.with({ key, weight: 1 })
          expect(set.find({ key: from })?.key ?? null).toBe(keys.includes(from) ? from : null)
          expect([...set.from({ key: from })].map(({ key }) => key)).toEqual(
            keys.filter((key) => key >= from).sort((a, b) => a - b),
          )
        },
      ),
    )
  })

  it('stays shallow, whatever the order in which values come', () => {
    let compared = 0
    let set = OrderedSet.empty<number>({ compare: (a, b) => (compared++, a - b) })
    for (let value = 0; value < 20_000; value++) set = set.with(value)
    for (let value = 0; value < 10_000; value++) set = set.without(value)
    for (const value of [10_000, 12_345, 19_999]) {
      compared = 0
      expect(set.find(value)).toBe(value)
      // Twice the depth of a perfect tree of 10,000 at most.
      expect(compared).toBeLessThanOrEqual(28)
    }
  })
})
