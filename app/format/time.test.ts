import { describe, expect, it } from 'vitest'
import { lengthWords, seconds, span } from './time.ts'

describe('times for people', () => {
  it.each([
    [800, '0.8 s'],
    [48_000, '48 s'],
    [200_000, '3 min 20 s'],
    [240_000, '4 min'],
    [21_540_000, '5 h 59 min'],
    [21_600_000, '6 h'],
  ])('a length of %i ms is %s', (ms, words) => expect(lengthWords(ms)).toBe(words))

  it.each([
    [0, '0.00'],
    [4200, '4.20'],
    [16, '0.02'],
  ])('writes %i ms as %s s', (ms, text) => expect(seconds(ms)).toBe(text))

  it.each([
    [-5, '0 s'],
    [89_000, '89 s'],
    [120_000, '2 min'],
    [7_200_000, '2 h'],
    [259_200_000, '3 d'],
  ])('writes a span of %i ms as %s', (ms, text) => expect(span(ms)).toBe(text))
})
