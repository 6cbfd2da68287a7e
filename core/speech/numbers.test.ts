import { describe, expect, it } from 'vitest'
import { easeNumbers } from './numbers.ts'
import { secondsOf } from './secondsOf.ts'

const strict = 5
const careful = 8

describe('numbers', () => {
  it.each([
    '123 456 789 012',
    '+49 (89) 123-456',
    '555 0100 555 0101',
    '٣٣٣٣٣٣٣٣٣٣٣٣',
    '8h3k9d2j4f7s',
    '8h3k-9d2j-4f7s-1q0w',
    'MMMDCCCLXXXVIII MMMDCCCLXXXVIII',
    '一二三四五六七八九〇',
    'five five five zero one double two three four',
    '5 5 five zero one two 3 three four',
    'null eins sieben sechs vier vier fünf sechs sieben',
    'zéro six douze trente quatre cinquante six soixante dix',
    'nove um dois três quatro cinco seis meia oito',
    'восемь девять один шесть два три четыре пять шесть',
    '3.14159265358979',
  ])('%s is a very long one', (number) => {
    expect(easeNumbers(`so ${number} !`, careful)).toMatch(/^so \+?a very long number !$/u)
    expect(easeNumbers(`so ${number} !`, strict)).toMatch(/^so \+?a very long number !$/u)
  })
  it.each([
    '24/12/2026',
    '3/10 2023',
    '2026-12-24',
    '3.5.26 at 19:30',
    '19:30, 24/12/2026',
    '1824-1895',
    '3:58:21',
    '21-19, 18-21, 21-17',
    '1,250,000 loaves',
    '1.299,90 euros',
    '1 299,00 zł',
    '$12,345,678.90',
    '0.333333',
    'batch 12',
    'ten nine eight seven six five four three two one go',
    'one two three four five six seven eight nine ten',
    'two of us and seven of you',
    'MIX and CIVIC',
    '三百六十',
    'x11r6',
    '2 cups, 3 eggs and 350 g',
  ])('%s is what people say', (text) => {
    expect(easeNumbers(text, careful)).toBe(text)
    expect(easeNumbers(text, strict)).toBe(text)
  })
  it('takes out signs of a page’s source that a voice would spell', () =>
    expect(easeNumbers('so &#x41;&#66;&amp;&lt; there', careful)).toBe('so  there'))
})

describe('how long a voice takes', () => {
  it.each([
    ['twenty letters here.', 1.4],
    ['12345', 1.9],
    ['bcdfghjk', 2.7],
    ['4x7k9q2w', 2.9],
    ['MDCLXVI', 2.4],
    ['{}[]<>', 2],
    ['🔥🔥', 1.8],
    ['一二三四', 0.96],
  ])('%s', (text, seconds) => expect(secondsOf(text)).toBeCloseTo(seconds, 0))
  it('is no shorter for a longer text', () =>
    expect(secondsOf('4x7k 4x7k')).toBeGreaterThan(2 * secondsOf('4x7k') - 0.001))
})
