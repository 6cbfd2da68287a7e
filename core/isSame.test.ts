import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSame } from './isSame.ts'

describe('whether two pieces of JSON say the same', () => {
  it('does not ask in which order their fields stand', () => {
    const turned = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(turned)
      if (typeof value !== 'object' || value === null) return value
      const fields = Object.entries(value).reverse()
      return Object.fromEntries(fields.map(([key, each]) => [key, turned(each)]))
    }
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(isSame(value, turned(value))).toBe(true)
      }),
    )
  })
  it('is what text of them says, where the order is the same', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 1 }), fc.jsonValue({ maxDepth: 1 }), (a, b) => {
        fc.pre(!JSON.stringify([a, b]).includes('{'))
        expect(isSame(a, b)).toBe(JSON.stringify(a) === JSON.stringify(b))
      }),
    )
  })
  it.each<[unknown, unknown, boolean]>([
    [{ a: 1 }, { a: 1, b: undefined }, true],
    [{ a: null }, { a: undefined }, false],
    [[1, 2], [2, 1], false],
    [[], {}, false],
    [{ a: 1 }, { b: 1 }, false],
    [null, {}, false],
    ['1', 1, false],
    [{ a: undefined, b: 1 }, { b: 1, c: 2 }, false],
  ])('%j and %j: %s', (a, b, same) => {
    expect(isSame(a, b)).toBe(same)
    expect(isSame(b, a)).toBe(same)
  })
})
