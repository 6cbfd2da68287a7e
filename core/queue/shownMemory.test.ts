import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ShownMemory } from './shownMemory.ts'

describe('what a source is known to have shown', () => {
  it('are the latest two hundred at least, and nothing else', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 300 }), (told, more) => {
        let memory = ShownMemory.of(Array.from({ length: told }, (_, at) => `p${at}`))
        for (let at = told; at < told + more; at++) memory = memory.with(`p${at}`)
        const all = told + more
        for (let at = Math.max(0, all - 200); at < all; at++) expect(memory.has(`p${at}`)).toBe(true)
        expect(memory.has(`p${all}`)).toBe(false)
        expect(memory.has(`p${all - 225}`)).toBe(false)
      }),
    )
  })
})
