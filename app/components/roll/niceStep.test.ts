import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axisScale } from './axisScale.ts'
import { niceStep, niceValue } from './niceStep.ts'

describe('where a boundary stops', () => {
  it.each([
    ['money', 1234, 1200],
    ['money', 437, 450],
    ['money', 23_456, 23_000],
    ['number', 12, 12],
    ['number', 1234, 1200],
    ['span', 4000, 4320],
    ['span', 190, 180],
  ] as const)('%s %i at %i', (type, value, at) => {
    expect(niceValue(type, value, { first: 0, last: 1_000_000 })).toBe(at)
  })
  it('is never beyond its neighbours, and never between two cents', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.integer({ min: 0, max: 5000 }),
        fc.integer({ min: 0, max: 5000 }),
        (value, a, b) => {
          const range = { first: Math.min(a, b), last: Math.max(a, b) }
          const kept = niceValue('money', value, range)
          expect(kept).toBeGreaterThanOrEqual(range.first)
          expect(kept).toBeLessThanOrEqual(range.last)
          expect(Number.isInteger(kept)).toBe(true)
          expect(niceStep('money', value)).toBeGreaterThan(0)
        },
      ),
    )
  })
  it('is where the pointer is: the axis there and back', () => {
    const cuts = fc.uniqueArray(fc.integer({ min: 1, max: 50_000 }), { minLength: 1, maxLength: 6 })
    fc.assert(
      fc.property(cuts, fc.boolean(), fc.double({ min: 0, max: 1, noNaN: true }), (points, isLogarithmic, ratio) => {
        const scale = axisScale(points, isLogarithmic)
        const last = Math.max(...points)
        const value = Math.round(ratio * last)
        const back = scale.valueAt(scale.at(value))
        expect(Math.abs(back - value)).toBeLessThanOrEqual(Math.max(1, value * 0.001))
      }),
    )
  })
})
