import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cornersOf, hitTest } from './hitTest.ts'
import type { SceneState, VisualState } from './sceneState.ts'

const box = (partId: string, matrix: VisualState['matrix']): VisualState => ({
  kind: 'backdrop',
  partId,
  matrix,
  widthPx: 100,
  heightPx: 50,
  opacity: 1,
  blurPx: 0,
  cut: null,
})
const scene = (...visuals: VisualState[]): SceneState => ({ visuals, sounds: [] })

describe('hitTest', () => {
  it('hits what lies in front', () => {
    const both = scene(box('behind', [1, 0, 0, 1, 0, 0]), box('front', [1, 0, 0, 1, 50, 0]))
    expect(hitTest(both, { xPx: 70, yPx: 10 })).toBe('front')
    expect(hitTest(both, { xPx: 20, yPx: 10 })).toBe('behind')
    expect(hitTest(both, { xPx: 20, yPx: 80 })).toBeNull()
  })

  it('misses a part squeezed to nothing', () => {
    expect(hitTest(scene(box('flat', [0, 0, 0, 0, 0, 0])), { xPx: 0, yPx: 0 })).toBeNull()
  })

  it('hits the middle of its own corners however the part is turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.integer({ min: -500, max: 500 }),
        (angle, scale, shift) => {
          const turned = box('turned', [
            Math.cos(angle) * scale,
            Math.sin(angle) * scale,
            -Math.sin(angle) * scale,
            Math.cos(angle) * scale,
            shift,
            -shift,
          ])
          const corners = cornersOf(turned)
          const middle = {
            xPx: corners.reduce((sum, corner) => sum + corner.xPx, 0) / 4,
            yPx: corners.reduce((sum, corner) => sum + corner.yPx, 0) / 4,
          }
          expect(hitTest(scene(turned), middle)).toBe('turned')
        },
      ),
    )
  })
})
