import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cleanText } from './cleanText.ts'

describe('cleanText', () => {
  it('takes out what a database refuses', () => {
    expect(cleanText('a\u0000b\u0007c')).toBe('abc')
    expect(cleanText('half \uD83E')).toBe('half \uFFFD')
  })

  it('leaves what people write', () => {
    const written = '🥐wisp نورا_خبز 毛毛面包 Tomé\n<b>bold</b>'
    expect(cleanText(written)).toBe(written)
  })

  it('is settled after one pass', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        expect(cleanText(cleanText(text))).toBe(cleanText(text))
      }),
    )
  })
})
