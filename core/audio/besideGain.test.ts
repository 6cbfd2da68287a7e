import { describe, expect, it } from 'vitest'
import { besideGainDb } from './besideGain.ts'

/** Loudness of things that have nothing to do with each other: their powers add up. */
const togetherDb = (gains: readonly number[]) =>
  10 * Math.log10(gains.reduce((power, gainDb) => power + 10 ** (gainDb / 10), 0))

describe('what sounds beside', () => {
  it('is as it is where nothing else sounds, and goes down the more there is', () => {
    expect(besideGainDb(0)).toBe(0)
    expect(besideGainDb(1)).toBeCloseTo(-6.02, 2)
    for (let others = 1; others < 20; others++) expect(besideGainDb(others + 1)).toBeLessThan(besideGainDb(others))
  })
  it('never makes all of it together much louder than one', () => {
    const sums = Array.from({ length: 8 }, (_, at) =>
      togetherDb(Array.from({ length: at + 1 }, (_, others) => besideGainDb(others))),
    )
    for (const [at, sum] of sums.entries()) {
      expect(sum).toBeLessThan(3)
      expect(sum).toBeGreaterThanOrEqual(sums[at - 1] ?? 0)
    }
  })
})
