import { describe, expect, it } from 'vitest'
import { searchQuery, searchWords } from './searchWords.ts'

describe('words that are looked for', () => {
  it.each([
    ['Zoë was HERE', ['zoe', 'was', 'here']],
    ['xX_Sourdough_Sam_Xx', ['xx', 'sourdough', 'sam']],
    ["O'Malt, 25.00 €!", ['o', 'malt', '25', '00', '€']],
    ['毛毛面包', ['毛', '面', '包']],
    ['🥐wisp', ['🥐', 'wisp']],
    ['نورا_خبز', ['نورا', 'خبز']],
    ['ΟΔΟΣ οδός', ['οδοσ']],
    ['ＦＵＬＬ width', ['full', 'width']],
    ['  …  ', []],
  ])('of “%s”', (text, words) => {
    expect(searchWords(text)).toEqual(words)
  })
  it('are all asked for, from their beginnings; signs that stand alone as they are', () => {
    expect(searchQuery('brea Zoë')).toBe("'brea':* & 'zoe':*")
    expect(searchQuery('面包')).toBe("'面' & '包'")
    expect(searchQuery(`'); drop table "event"`)).toBe("'drop':* & 'table':* & 'event':*")
  })
  it('are none where nothing of it is a word', () => {
    expect(searchQuery('!?')).toBeNull()
    expect(searchQuery('')).toBeNull()
  })
})
