import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { alignWords, type SaidWord } from './alignWords.ts'
import { spreadWords } from './spreadWords.ts'

const said = (text: string): SaidWord[] => text.split(' ').map((word, index) => ({ text: word, atMs: index * 100 }))
const align = (written: string, spoken: string) => alignWords(written.split(' '), said(spoken))

describe('alignWords', () => {
  it.each<[what: string, written: string, spoken: string, times: (number | null)[]]>([
    ['the same', 'good evening all', 'good evening all', [0, 100, 200]],
    ['capitals and stops', 'GOOD evening, all!', 'good evening all', [0, 100, 200]],
    ['a word left out is not read', 'what a tosser he is', 'what a he is', [0, 100, null, 200, 300]],
    [
      'what was eased shares the time of what is said instead',
      'call 0049176123 now',
      'call a very long number now',
      [0, 100, 500],
    ],
    ['a name that is spoken otherwise', 'hello pip_rye', 'hello pip rye', [0, 100]],
    ['held words are read as often as they are', 'ring ring ring ring', 'ring ring', [0, 100, null, null]],
    ['a cut end is not read', 'one two three four', 'one two', [0, 100, null, null]],
    ['another text', 'some headline here', 'o pão de centeio', [null, null, null]],
  ])('%s', (_what, written, spoken, times) => expect(align(written, spoken)).toEqual(times))

  it('reads in order, and every word of the same text', () => {
    const words = fc.array(fc.constantFrom('rye', 'loaf', 'the', 'a', 'oven', '🥐', '...'), {
      minLength: 1,
      maxLength: 40,
    })
    fc.assert(
      fc.property(words, words, (written, spoken) => {
        const times = alignWords(written, said(spoken.join(' '))).filter((time) => time !== null)
        expect(times).toEqual([...times].sort((a, b) => a - b))
        const same = alignWords(written, said(written.join(' ')))
        written.forEach((word, at) => {
          if (/\p{L}/u.test(word)) expect(same[at]).not.toBeNull()
        })
      }),
    )
  })
})

describe('spreadWords', () => {
  it('gives every word its place and a moment within what was said, in order', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme', maxLength: 120 }),
        fc.integer({ min: 1, max: 60_000 }),
        (text, durationMs) => {
          const words = spreadWords(text, durationMs)
          const letters = [...text]
          expect(words.map(({ from, to }) => letters.slice(from, to).join(''))).toEqual(
            text.split(/\s+/u).filter((word) => word !== ''),
          )
          words.forEach(({ atMs }, at) => {
            expect(atMs).toBeGreaterThanOrEqual(words[at - 1]?.atMs ?? 0)
            expect(atMs).toBeLessThanOrEqual(durationMs)
          })
        },
      ),
    )
  })
  it('pauses at stops', () => {
    const [, second, third] = spreadWords('yes, yes yes', 1000)
    expect((third?.atMs ?? 0) - (second?.atMs ?? 0)).toBeLessThan(second?.atMs ?? 0)
  })
})
