import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseEventData } from '../events/schema.ts'
import { makeNight } from './makeNight.ts'
import { dialledNight, dialRanges, longQueue, longQueueMs, usualDials, type NightDials } from './readyNights.ts'

const place = { beginMs: 1_000_000_000, currency: 'EUR', sources: ['feed:a'] }
const dials = fc.record({
  seed: fc.integer({ min: 0, max: 1_000 }),
  ...(Object.fromEntries(
    Object.entries(dialRanges).map(([name, [least, most]]) => [name, fc.integer({ min: least, max: most })]),
  ) as Record<Exclude<keyof NightDials, 'seed'>, fc.Arbitrary<number>>),
})

describe('a night by dials', () => {
  it('has as much as they say, within its hours, and is the same for the same dials', () => {
    fc.assert(
      fc.property(dials, (of) => {
        const night = makeNight(dialledNight(of, place))
        const count = (kind: string) => night.filter((each) => each.kind === kind).length
        expect(count('tip')).toBe(of.tips * of.hours)
        expect(count('redemption')).toBe(of.redemptions * of.hours)
        expect(count('subscription') + count('resubscription')).toBe(of.subscriptions * of.hours)
        expect(count('raid')).toBe(of.raids)
        expect(count('giftBatch')).toBe(of.trays)
        expect(count('giftRecipient')).toBe(of.trays * of.traySize)
        expect(count('follow')).toBe(of.follows * of.hours + of.raids * Math.round(of.raidSize * 0.8))
        const untilMs = place.beginMs + of.hours * 3_600_000
        for (const { kind, data, occurredAtMs } of night.slice(0, 200)) {
          expect(parseEventData(kind, data)).toEqual(data)
          expect(occurredAtMs).toBeGreaterThanOrEqual(place.beginMs)
          expect(occurredAtMs).toBeLessThan(untilMs)
        }
      }),
      { numRuns: 15 },
    )
    expect(makeNight(dialledNight(usualDials, place))).toEqual(makeNight(dialledNight(usualDials, place)))
    expect(makeNight(dialledNight({ ...usualDials, seed: 2 }, place))).not.toEqual(
      makeNight(dialledNight(usualDials, place)),
    )
  })
  it('has what comes by the hour at any time of it', () => {
    const night = makeNight(dialledNight({ ...usualDials, hours: 10, follows: 300, raids: 0 }, place))
    const perHour = Array.from({ length: 10 }, (_, hour) => {
      const from = place.beginMs + hour * 3_600_000
      return night.filter(
        ({ kind, occurredAtMs }) => kind === 'follow' && occurredAtMs >= from && occurredAtMs < from + 3_600_000,
      ).length
    })
    // Drawn evenly: five standard deviations to either side.
    for (const count of perHour) expect(Math.abs(count - 300)).toBeLessThan(5 * Math.sqrt(300 * 0.9))
  })
})

it('the night of the long queue has 904 events in six hours', () => {
  const night = makeNight(longQueue(place))
  expect(night).toHaveLength(904)
  expect(Math.max(...night.map(({ occurredAtMs }) => occurredAtMs))).toBeLessThan(place.beginMs + longQueueMs)
})
