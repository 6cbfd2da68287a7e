import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { growInk } from './inkBox.ts'

describe('the ink of a picture', () => {
  it('is nothing of an empty frame, and stays what it was', () => {
    expect(growInk(null, 5, 5, () => false)).toBeNull()
    const before = { xPx: 1, yPx: 2, widthPx: 3, heightPx: 1 }
    expect(growInk(before, 5, 5, () => false)).toBe(before)
  })
  it('is the smallest box around every inked pixel of every frame', () => {
    const frame = fc.array(fc.tuple(fc.integer({ min: 0, max: 11 }), fc.integer({ min: 0, max: 8 })), { maxLength: 12 })
    fc.assert(
      fc.property(fc.array(frame, { minLength: 1, maxLength: 4 }), (frames) => {
        const ink = frames.reduce(
          (grown, points) => growInk(grown, 12, 9, (offset) => points.some(([x, y]) => y * 12 + x === offset)),
          null as ReturnType<typeof growInk>,
        )
        const points = frames.flat()
        if (points.length === 0) {
          expect(ink).toBeNull()
          return
        }
        const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
        const [left, top] = [Math.min(...xs), Math.min(...ys)]
        expect(ink).toEqual({
          xPx: left,
          yPx: top,
          widthPx: Math.max(...xs) - left + 1,
          heightPx: Math.max(...ys) - top + 1,
        })
      }),
    )
  })
})
