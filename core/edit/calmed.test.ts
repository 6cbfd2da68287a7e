import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterComposition } from '../composition/starter.ts'
import { isVisiblePart } from '../score/parts/part.ts'
import { calmed, calmedOpacity } from './calmed.ts'

describe('a gentler version', () => {
  it('is never more opaque than the share, and in hundredths', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        const opacity = calmedOpacity(a, b)
        expect(opacity).toBeLessThanOrEqual(a * b + 1e-9)
        expect(opacity).toBeGreaterThan(a * b - 0.0101)
        expect(Math.abs(opacity * 100 - Math.round(opacity * 100))).toBeLessThan(1e-9)
      }),
    )
  })
  it('changes the parts that are named and nothing else', () => {
    const composition = starterComposition(
      { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 },
      { headline: '{name}', second: 'follows' },
      { pictureId: null, soundId: null },
    )
    const [first, ...others] = composition.parts.filter(isVisiblePart)
    const softer = calmed(composition, [{ partId: first?.id ?? '', share: 0.5 }])
    expect(softer.parts.find(({ id }) => id === first?.id)).toEqual({ ...first, opacity: (first?.opacity ?? 0) * 0.5 })
    for (const other of others) expect(softer.parts).toContainEqual(other)
  })
})
