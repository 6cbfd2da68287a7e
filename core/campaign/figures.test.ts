import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { together, worthOf } from './figures.ts'

const worth = { perThousandMinor: 450, perClickMinor: 20, pointsPerThousand: 40, pointsPerClick: 10 }

describe('what came of a campaign', () => {
  it('is worth what was promised, and never a cent that is not there', () => {
    expect(worthOf(worth, { impressions: 0, clicks: 0 })).toEqual({ points: 0, earningsMinor: 0 })
    expect(worthOf(worth, { impressions: 999, clicks: 3 })).toEqual({ points: 69, earningsMinor: 509 })
    expect(worthOf(worth, { impressions: 1000, clicks: 0 })).toEqual({ points: 40, earningsMinor: 450 })
  })

  it('adds up, whichever days are taken together first', () => {
    const day = fc.record({ shown: fc.nat(50), impressions: fc.nat(10_000), clicks: fc.nat(90) })
    fc.assert(
      fc.property(fc.array(day), fc.nat(20), (days, at) => {
        expect(together([together(days.slice(0, at)), together(days.slice(at))])).toEqual(together(days))
      }),
    )
  })
})
