import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eligibilityOf, nextCampaign, type RotationState } from './rotation.ts'
import { campaign, type Campaign } from './schema.ts'

const startMs = Date.UTC(2026, 10, 29, 22)
const minuteMs = 60_000
const timeZone = 'Europe/Lisbon'
const nothing = { perThousandMinor: 0, perClickMinor: 0, pointsPerThousand: 0, pointsPerClick: 0 }
const line = (id: string, fields: Partial<Campaign> = {}): Campaign =>
  campaign.parse({
    ...{ id, name: id, words: 'tonight’s flour comes from the Sorrel mill', mediaId: null, link: null, fromMs: 0 },
    ...{ untilMs: null, everyMin: 1, hours: null, weight: 1, caps: { day: null, all: null }, isPaused: false },
    ...{ shownBy: 'line', worth: nothing },
    ...fields,
  })

/** What so many slots show, one each `stepMin` minutes. */
function slots(campaigns: readonly Campaign[], count: number, stepMin = 1, seed = 7): (string | null)[] {
  let state: RotationState = {}
  return Array.from({ length: count }, (_, index) => {
    const slot = nextCampaign(campaigns, state, { nowMs: startMs + index * stepMin * minuteMs, timeZone, seed })
    state = slot.state
    return slot.id
  })
}
const counted = (shown: readonly (string | null)[], id: string) => shown.filter((each) => each === id).length
const weights = fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 8 })

describe('the rotation of campaigns', () => {
  it('gives each its share: never more than a slot from it, however many there are', () => {
    fc.assert(
      fc.property(weights, fc.integer({ min: 1, max: 400 }), fc.nat(), (of, count, seed) => {
        const campaigns = of.map((weight, index) => line(`c${index}`, { weight }))
        const shown = slots(campaigns, count, 1, seed)
        const all = of.reduce((sum, weight) => sum + weight, 0)
        for (const { id, weight } of campaigns)
          expect(Math.abs(counted(shown, id) - (count * weight) / all)).toBeLessThanOrEqual(1 + 1e-6)
      }),
      { numRuns: 60 },
    )
  })

  it('is the same for the same seed, and mixes otherwise for another', () => {
    const campaigns = ['a', 'b', 'c', 'd', 'e'].map((id) => line(id))
    expect(slots(campaigns, 40)).toEqual(slots([...campaigns].reverse(), 40))
    const orders = new Set([1, 2, 3, 4, 5, 6].map((seed) => slots(campaigns, 5, 1, seed).join()))
    expect(orders.size).toBeGreaterThan(2)
  })

  it('never shows one too soon, out of its time, its hours or beyond its caps', () => {
    const anyCampaign = fc.record({
      weight: fc.integer({ min: 1, max: 9 }),
      everyMin: fc.integer({ min: 1, max: 30 }),
      hours: fc.option(fc.record({ from: fc.nat(1439), until: fc.nat(1439) })),
      caps: fc.record({
        day: fc.option(fc.integer({ min: 1, max: 20 })),
        all: fc.option(fc.integer({ min: 1, max: 40 })),
      }),
      fromMs: fc.nat(600).map((min) => startMs + min * minuteMs),
    })
    fc.assert(
      fc.property(fc.array(anyCampaign, { minLength: 1, maxLength: 5 }), (of) => {
        const campaigns = of.map((fields, index) =>
          line(`c${index}`, { ...fields, untilMs: fields.fromMs + 900 * minuteMs }),
        )
        const shown = slots(campaigns, 500, 5)
        for (const { id, fromMs, untilMs, everyMin, caps } of campaigns) {
          const times = shown.flatMap((each, index) => (each === id ? [startMs + index * 5 * minuteMs] : []))
          for (const [index, atMs] of times.entries()) {
            expect(atMs).toBeGreaterThanOrEqual(fromMs)
            expect(atMs).toBeLessThan(untilMs ?? Infinity)
            const before = times[index - 1]
            if (before !== undefined) expect(atMs - before).toBeGreaterThanOrEqual(everyMin * minuteMs)
          }
          expect(times.length).toBeLessThanOrEqual(caps.all ?? Infinity)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('owes nothing for the time in which one could not be shown', () => {
    const late = line('late', { fromMs: startMs + 100 * minuteMs })
    const shown = slots([line('always'), late], 120)
    expect(counted(shown.slice(0, 100), 'late')).toBe(0)
    expect(counted(shown.slice(100), 'late')).toBeLessThanOrEqual(11)
    expect(counted(shown.slice(100), 'late')).toBeGreaterThanOrEqual(9)
  })

  it('says why one is not shown', () => {
    const shownOften = { credit: 0, lastMs: startMs - 5 * minuteMs, day: 20_786, onDay: 3, inAll: 9 }
    const of = (fields: Partial<Campaign>) => eligibilityOf(line('a', fields), shownOften, startMs, timeZone)
    expect(of({})).toBe('shown')
    expect(of({ isPaused: true })).toBe('paused')
    expect(of({ fromMs: startMs + 1 })).toBe('notYet')
    expect(of({ untilMs: startMs })).toBe('over')
    expect(of({ hours: { from: 60, until: 120 } })).toBe('outOfHours')
    expect(of({ hours: { from: 21 * 60, until: 60 } })).toBe('shown')
    expect(of({ everyMin: 6 })).toBe('tooSoon')
    expect(of({ caps: { day: 3, all: null } })).toBe('enoughToday')
    expect(of({ caps: { day: null, all: 9 } })).toBe('enoughInAll')
    expect(nextCampaign([line('a', { isPaused: true })], {}, { nowMs: startMs, timeZone, seed: 1 }).id).toBeNull()
  })

  it('has no end before its beginning', () => {
    expect(() => line('a', { fromMs: 10, untilMs: 10 })).toThrow('a campaign ends after it begins')
  })
})
