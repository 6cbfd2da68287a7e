import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import { earnedBy, earnedByPresence } from './earnedBy.ts'
import { hasAmount, noPoints, pointsRules } from './schema.ts'

const crumbs = pointsRules.parse({
  name: { one: 'crumb', many: 'crumbs' },
  presence: { points: 5, everyMs: 600_000 },
  earned: [
    { kind: 'follow', points: 50, perMinor: null },
    { kind: 'tip', points: 1, perMinor: 10 },
  ],
})
const channel = { currency: 'EUR', rates: { USD: 0.5 } }
const tip = (amountMinor: number, currency: string) => {
  const event = sampleEvent('tip')
  return { ...event, data: { ...event.data, amountMinor, currency } } as typeof event
}

describe('points', () => {
  it('are earned by kind and by amount, in whole ones', () => {
    expect(earnedBy(sampleEvent('follow'), crumbs, channel)).toBe(50)
    expect(earnedBy(sampleEvent('raid'), crumbs, channel)).toBe(0)
    expect([250, 259, 9].map((amount) => earnedBy(tip(amount, 'EUR'), crumbs, channel))).toEqual([25, 25, 0])
    expect([tip(500, 'USD'), tip(500, 'JPY')].map((event) => earnedBy(event, crumbs, channel))).toEqual([25, 0])
    const anonymous = { ...sampleEvent('follow'), data: { ...sampleEvent('follow').data, viewer: null } } as never
    expect(earnedBy(anonymous, crumbs, channel)).toBe(0)
    expect(earnedBy(sampleEvent('follow'), noPoints, channel)).toBe(0)
  })

  it('are asked for by amount only where there is one', () => {
    expect((['tip', 'purchase', 'follow', 'raid'] as const).map(hasAmount)).toEqual([true, true, false, false])
    const twice = [0, 1].map(() => ({ kind: 'follow', points: 1, perMinor: null }))
    expect(pointsRules.safeParse({ ...crumbs, earned: twice }).success).toBe(false)
  })

  it('for presence come once for each whole stretch, however often one looks', () => {
    fc.assert(
      fc.property(fc.nat(5_000_000), fc.array(fc.nat(900_000), { maxLength: 30 }), (cameMs, steps) => {
        let [atMs, sum] = [cameMs, 0]
        for (const step of steps) {
          sum += earnedByPresence(crumbs, cameMs, atMs, atMs + step)
          atMs += step
        }
        expect(sum).toBe(Math.floor((atMs - cameMs) / 600_000) * 5)
      }),
    )
    expect(earnedByPresence(noPoints, 0, 0, 9_000_000)).toBe(0)
  })
})
