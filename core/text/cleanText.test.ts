import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cleanMarkedText, cleanText } from './cleanText.ts'

describe('cleanText', () => {
  it('takes out what a database refuses', () => {
    expect(cleanText('a\u0000b\u0007c')).toBe('abc')
    expect(cleanText('half \uD83E')).toBe('half \uFFFD')
  })

  it('leaves what people write', () => {
    const written = '🥐wisp نورا_خبز 毛毛面包 Tomé\n<b>bold</b>'
    expect(cleanText(written)).toBe(written)
  })

  it('moves the places of emotes along with the words', () => {
    const text = 'a\u0000\u0007 loaf\tand\n\u001Ba bun'
    const word = (of: string, wanted: string) => ({ from: of.indexOf(wanted), to: of.indexOf(wanted) + wanted.length })
    const cleaned = cleanMarkedText(text, [word(text, 'loaf'), word(text, 'bun')])
    expect(cleaned.text).toBe('a loaf\tand\na bun')
    expect(cleaned.spans.map(({ from, to }) => cleaned.text.slice(from, to))).toEqual(['loaf', 'bun'])
  })

  it('covers the very words that were meant, wherever control characters stand', () => {
    const chunk = fc.oneof(fc.constantFrom('\u0000', '\u0007', '\u0085', '\t', '\n'), fc.string({ maxLength: 4 }))
    fc.assert(
      fc.property(fc.array(chunk), fc.array(chunk), fc.constantFrom('loaf', '🥐'), (before, after, emote) => {
        const from = before.join('').length
        const text = `${before.join('')}${emote}${after.join('')}`
        const cleaned = cleanMarkedText(text, [{ from, to: from + emote.length }])
        expect(cleaned.spans.map((span) => cleaned.text.slice(span.from, span.to))).toEqual([emote])
        expect(cleaned.text).toBe(cleanText(text))
      }),
    )
  })

  it('is settled after one pass', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        expect(cleanText(cleanText(text))).toBe(cleanText(text))
      }),
    )
  })
})
