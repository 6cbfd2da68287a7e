import { describe, expect, it } from 'vitest'
import { lettersOf } from './lettersOf.ts'

describe('the letters that a channel needs', () => {
  it.each([
    ['pt-PT', 'EUR', 'ãõÃÕç€'],
    ['de', 'EUR', 'äßÄÖ€'],
    ['en-IE', 'EUR', 'aZ09€’'],
    ['pl', 'PLN', 'ąĄłŁz'],
    ['tr', 'TRY', 'ıİğ'],
    ['el', 'EUR', 'αωΩ'],
  ])('%s, %s: among them %s', (locale, currency, some) => {
    const letters = lettersOf(locale, currency)
    expect([...some].filter((letter) => !letters.includes(letter))).toEqual([])
    expect(new Set(letters).size).toBe([...letters].length)
  })
  it('are the plain ones for a language that is not in the table', () =>
    expect(lettersOf('sw', 'KES')).not.toMatch(/[ãäα]/))
})
