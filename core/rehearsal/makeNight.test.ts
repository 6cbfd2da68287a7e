import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseEventData } from '../events/schema.ts'
import { makeNight, type NightWish } from './makeNight.ts'

const wish = (seed: number, counts: number[], calm: NightWish['calm']): NightWish => ({
  ...{ seed, beginMs: 1_000_000, lengthMs: 3_600_000, calm, sources: ['feed:a', 'feed:b'], currency: 'EUR' },
  often: (['follow', 'tip', 'paidMessage', 'subscription', 'resubscription', 'redemption', 'applause'] as const).map(
    (kind, at) => ({ kind, count: counts[at] ?? 0 }),
  ),
  raids: [{ atMs: 2_000_000, name: 'Juno Flint', partySize: 40 }],
  bursts: [
    { kind: 'follow', atMs: 2_001_000, withinMs: 30_000, count: counts[0] ?? 0 },
    { kind: 'gifts', atMs: 2_010_000, withinMs: 5_000, count: counts[1] ?? 0 },
  ],
  names: ['pip_rye', 'Zoë'],
  messages: ['for the oven'],
  rewards: [{ id: 'bell', title: 'Ring the oven bell', costPoints: 300 }],
  tips: [
    { amountMinor: 300, weight: 3 },
    { amountMinor: 5_000, weight: 1 },
  ],
})

describe('a made-up night', () => {
  it('has what was wished for, in order, each as its kind is; and the same again', () => {
    fc.assert(
      fc.property(fc.integer(), fc.array(fc.nat({ max: 20 }), { minLength: 7, maxLength: 7 }), (seed, counts) => {
        const night = makeNight(wish(seed, counts, null))
        expect(makeNight(wish(seed, counts, null))).toEqual(night)
        const wanted = counts.reduce((sum, count) => sum + count, 0) + 1 + (counts[0] ?? 0) + 1 + (counts[1] ?? 0)
        expect(night).toHaveLength(wanted)
        expect(new Set(night.map(({ externalId }) => externalId)).size).toBe(wanted)
        for (const [at, { kind, data, occurredAtMs }] of night.entries()) {
          expect(parseEventData(kind, data)).toEqual(data)
          expect(occurredAtMs).toBeGreaterThanOrEqual(night[at - 1]?.occurredAtMs ?? 1_000_000)
          expect(occurredAtMs).toBeLessThan(4_600_000)
        }
      }),
      { numRuns: 50 },
    )
  })
  it('is calmer where it is to be', () => {
    const count = (calm: NightWish['calm']) =>
      makeNight(wish(7, [2_000, 0, 0, 0, 0, 0, 0], calm)).filter(
        ({ occurredAtMs }) =>
          occurredAtMs >= 1_000_000 + 0.5 * 3_600_000 && occurredAtMs < 1_000_000 + 0.75 * 3_600_000,
      ).length
    const usual = count(null)
    const calm = count({ from: 0.5, until: 0.75, share: 0.2 })
    expect(usual).toBeGreaterThan(430)
    expect(calm / usual).toBeLessThan(0.32)
    expect(calm / usual).toBeGreaterThan(0.15)
  })
})
