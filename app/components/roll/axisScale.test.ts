import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axisScale } from './axisScale.ts'

describe('the scale of an axis', () => {
  it('grows, begins at nought and ends where nothing changes any more', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 100_000 }), { maxLength: 8 }),
        fc.boolean(),
        fc.integer({ min: 0, max: 200_000 }),
        (cuts, isLogarithmic, value) => {
          const scale = axisScale(cuts, isLogarithmic)
          expect(scale.at(0)).toBe(0)
          expect(scale.at(1_000_000_001)).toBe(100)
          expect(scale.at(value)).toBeLessThanOrEqual(scale.at(value + 1) + 1e-9)
        },
      ),
    )
  })
  it('leaves room for a single month between years', () => {
    const scale = axisScale([2, 12, 13, 24], false)
    expect(scale.at(13) - scale.at(12)).toBeGreaterThan(5)
  })
})
