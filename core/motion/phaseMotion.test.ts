import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { motionNames } from './schema.ts'
import { bounce, cubicBezier, easeIn, easeOut, spring } from './easing.ts'
import { atRest } from './motionState.ts'
import { enteringState, leavingState } from './phaseMotion.ts'

describe('easings', () => {
  const all = { easeIn, easeOut, bounce, spring: spring(0.42), steep: cubicBezier(0, 1, 1, 0) }
  it.each(Object.entries(all))('%s goes from 0 to 1 and holds outside', (_name, easing) => {
    expect(easing(0)).toBe(0)
    expect(easing(1)).toBe(1)
    expect(easing(-3)).toBe(0)
    expect(easing(7)).toBe(1)
  })

  it.each(Object.entries(all))('%s has no jump', (_name, easing) => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (progress) => {
        expect(Math.abs(easing(progress + 0.001) - easing(progress))).toBeLessThan(0.06)
      }),
    )
  })

  it('solves a cubic Bézier as CSS does', () => {
    expect(cubicBezier(0.25, 0.1, 0.25, 1)(0.5)).toBeCloseTo(0.8024, 3)
    expect(cubicBezier(0, 0, 1, 1)(0.3)).toBeCloseTo(0.3, 6)
  })

  it('has come to rest where the spring says it has', () => {
    expect(Math.abs(spring(0.42)(0.999) - 1)).toBeLessThan(0.002)
    expect(Math.max(...Array.from({ length: 100 }, (_, index) => spring(0.42)(index / 100)))).toBeGreaterThan(1.1)
  })
})

describe.each(motionNames)('the motion %s', (name) => {
  it('is exactly at rest when entered and when it begins to leave', () => {
    expect(enteringState(name, 1)).toEqual(atRest)
    expect(leavingState(name, 0)).toEqual(atRest)
  })

  it('cannot be seen at either end, unless it comes at once', () => {
    for (const state of [enteringState(name, 0), leavingState(name, 1)]) {
      const isGone =
        state.opacity < 1e-6 ||
        Math.max(Math.abs(state.outX), Math.abs(state.outY)) > 0.999 ||
        state.cutTop + state.cutBottom > 0.999 ||
        state.cutLeft + state.cutRight > 0.999
      expect(isGone).toBe(name !== 'none')
    }
  })

  it('takes another easing where one is set, and still ends exactly at rest', () => {
    expect(enteringState(name, 1, 'bounce')).toEqual(atRest)
    if (name !== 'none' && name !== 'fade')
      expect(enteringState(name, 0.37, { steps: 2 })).not.toEqual(enteringState(name, 0.37))
  })

  it('never cuts or blurs by less than nothing, however the easing overshoots', () => {
    for (let step = 0; step <= 50; step++) {
      const { blurPx, cutTop, cutRight, cutBottom } = enteringState(name, step / 50, { damping: 0.1 })
      expect(Math.min(blurPx, cutTop, cutRight, cutBottom)).toBeGreaterThanOrEqual(0)
    }
  })

  it('has an opacity between 0 and 1 on the way', () => {
    for (let step = 0; step <= 100; step++) {
      for (const state of [enteringState(name, step / 100), leavingState(name, step / 100)]) {
        expect(state.opacity).toBeGreaterThanOrEqual(-1e-9)
        expect(state.opacity).toBeLessThanOrEqual(1 + 1e-9)
      }
    }
  })
})
