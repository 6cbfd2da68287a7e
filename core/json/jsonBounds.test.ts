import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseBounded } from './jsonBounds.ts'

describe('parseBounded', () => {
  it('gives what the parser gives, whatever stands in it', () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        expect(parseBounded(text)).toEqual({ ok: true, value: JSON.parse(text) as unknown })
      }),
    )
  })
  it('is not misled by what stands in words', () =>
    expect(parseBounded(JSON.stringify({ a: '[[[[\\"[[[', b: ',,,,' }), { depth: 1, values: 2 }).ok).toBe(true))
  it('refuses what is too deep or too many, before it is made', () => {
    expect(parseBounded('['.repeat(4_000_000))).toEqual({
      ok: false,
      error: { isTooMuch: true, words: 'It is nested more than 64 deep.' },
    })
    expect(parseBounded(`[${'1,'.repeat(500_000)}1]`)).toEqual({
      ok: false,
      error: { isTooMuch: true, words: 'It has more than 400000 values.' },
    })
    expect(parseBounded('{"a":')).toMatchObject({ ok: false, error: { isTooMuch: false } })
  })
})
