import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cleanedDeep, findUnstorable } from './unstorable.ts'

describe('what no database keeps', () => {
  it('is found wherever it stands', () => {
    expect(findUnstorable({ a: [{ b: 'x\0' }] })).toEqual(['a', 0, 'b'])
    expect(findUnstorable({ a: { 'k\ud83e': 1 } })?.[0]).toBe('a')
    expect(findUnstorable({ a: '🥐 نورا', b: [1, null, true] })).toBeNull()
  })
  it('is taken out, and nothing else is touched', () => {
    const odd = fc.oneof(fc.string({ unit: 'binary' }), fc.constantFrom('a\0b', '\ud83e', 'plain'))
    fc.assert(
      fc.property(fc.dictionary(odd, fc.oneof(odd, fc.array(odd), fc.integer())), (value) => {
        const cleaned = cleanedDeep(value)
        expect(findUnstorable(cleaned)).toBeNull()
        if (findUnstorable(value) === null) expect(cleaned).toBe(value)
      }),
    )
  })
})
