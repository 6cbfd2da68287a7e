import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { plainPolicy, readyPolicy, type BoxPolicy } from '../queue/policy.ts'
import type { Ticket } from '../queue/ticket.ts'
import type { DecidedEvent } from './decideNight.ts'
import { placeOfPlay, playIdOf } from './decideNight.ts'
import { figuresOf, screenShare, thinned } from './figures.ts'
import { nearestTo, nightOf, type Night } from './night.ts'
import { itemsOf } from './itemsOf.ts'
import { nothingCalled } from './rehearsedCall.ts'
import { playNight, type PlayedNight } from './playNight.ts'

const partOf = (decided: readonly DecidedEvent[], played: PlayedNight) => ({
  items: itemsOf('', decided, nothingCalled),
  played,
})

const timeZone = 'UTC'
const eventAt = (atMs: number, id: string, kind: 'follow' | 'tip' = 'follow'): CanonicalEvent =>
  ({ ...sampleEvent(kind, 'everyday', atMs), source: 'feed:x', externalId: id }) as CanonicalEvent

/** Follows that come at these moments, each of so many milliseconds. */
function follows(moments: readonly number[], lengthMs = 5_000): { night: Night; decided: DecidedEvent[] } {
  const night = nightOf(moments.map((atMs, at) => ({ atMs, event: eventAt(atMs, `e${at}`) })))
  const decided = night.events.map(({ atMs }, at): DecidedEvent => {
    const facts: Ticket['facts'] = {
      ...{
        kind: 'follow',
        alertId: 'a',
        variationId: 'v',
        amount: null,
        hasWords: false,
        isFlagged: false,
        gifts: null,
      },
      ...{ shortestMs: 2_000, several: { lengthMs: 7_000, shortestMs: 3_000 }, isOnlyHeard: false, isTest: false },
    }
    const ticket = { playId: playIdOf(at), enqueuedAtMs: atMs, lengthMs, facts }
    return {
      at,
      decided: '',
      why: null,
      arrival: { atMs, ticket },
      settled: null,
    }
  })
  return { night, decided }
}
const moments = fc.array(fc.integer({ min: 0, max: 600_000 }), { minLength: 1, maxLength: 60 })
const policies: BoxPolicy[] = [
  [],
  [{ rule: 'merge', isOn: true, kinds: ['follow'], withinMs: 10_000, below: null, isEvenWritten: false }],
  [
    { rule: 'elastic', isOn: true, waiting: 2, lastMs: null },
    { rule: 'age', isOn: true, kinds: null, ms: 20_000 },
  ],
  [{ rule: 'airtime', isOn: true, percent: 30 }],
]

describe('a night', () => {
  it('is told in order and once, whatever order it was found in; tests are left out', () => {
    fc.assert(
      fc.property(moments, fc.infiniteStream(fc.nat()), (found, order) => {
        const events = found.flatMap((atMs, at) => [
          { atMs, event: eventAt(atMs, `e${at}`), isTest: at % 5 === 4 },
          ...(at % 3 === 0 ? [{ atMs: atMs + 10, event: eventAt(atMs, `e${at}`), isTest: at % 5 === 4 }] : []),
        ])
        const shuffled = events.map((each) => ({ each, by: order.next().value })).sort((a, b) => a.by - b.by)
        const night = nightOf(shuffled.map(({ each }) => each))
        const tests = events.filter(({ isTest }) => isTest).length
        expect(night.tests).toBe(tests)
        expect(night.events.length + night.repeated + night.tests).toBe(events.length)
        expect(night.events.map(({ atMs }) => atMs)).toEqual(
          found.filter((_atMs, at) => at % 5 !== 4).sort((a, b) => a - b),
        )
        const [first] = night.events
        expect([night.fromMs, night.untilMs]).toEqual([first?.atMs ?? 0, night.events.at(-1)?.atMs ?? 0])
      }),
    )
  })
  it('of nothing is a night all the same', () => {
    const night = nightOf([])
    expect(figuresOf(night, [partOf([], playNight([], plainPolicy, { timeZone }))])).toMatchObject({
      ...{ slots: 1, screen: [0], waiting: [0], counts: { shown: 0, merged: 0, letGo: 0, nothing: 0 } },
      all: { count: 0, p95Ms: 0 },
    })
  })
  it('ends a week after it began: what comes years later is another', () => {
    const year = 365 * 86_400_000
    expect(nightOf([0, 1_000, year].map((atMs, at) => ({ atMs, event: eventAt(atMs, `e${at}`) }))).events).toHaveLength(
      2,
    )
  })
  it('is looked up by the moment', () => {
    fc.assert(
      fc.property(moments, fc.integer({ min: -1_000, max: 601_000 }), (found, atMs) => {
        const night = nightOf(found.map((each, at) => ({ atMs: each, event: eventAt(each, `e${at}`) })))
        const away = (at: number) => Math.abs((night.events[at]?.atMs ?? Infinity) - atMs)
        expect(away(nearestTo(night, atMs))).toBe(Math.min(...night.events.map((_each, at) => away(at))))
      }),
    )
  })
  it('has an id for each of its plays that leads back', () =>
    expect([0, 7, 99_999].map((at) => placeOfPlay(playIdOf(at)))).toEqual([0, 7, 99_999]))
})

describe('figures of a night', () => {
  it('add up, whatever comes and whatever the policy', () => {
    fc.assert(
      fc.property(moments, fc.constantFrom(...policies), (found, policy) => {
        const { night, decided } = follows(found)
        const played = playNight(decided, readyPolicy(policy), { timeZone })
        const figures = figuresOf(night, [partOf(decided, played)])
        const { counts, arrivals, all, screen, slotMs, kinds, late } = figures
        expect(played.ends.size).toBe(found.length)
        expect(Object.values(counts).reduce((a, b) => a + b)).toBe(found.length)
        for (const fate of ['shown', 'merged', 'letGo', 'nothing'] as const)
          expect(arrivals[fate].reduce((a, b) => a + b)).toBe(counts[fate])
        expect(all.count).toBe(late.length)
        expect(kinds.map(({ count }) => count).reduce((a, b) => a + b, 0)).toBe(all.count)
        expect(all.p50Ms).toBeLessThanOrEqual(all.p95Ms)
        expect(all.p95Ms).toBeLessThanOrEqual(all.worstMs)
        // The screen is taken as long as all that was shown lasted.
        const shownMs = [...played.shown.values()].reduce((sum, { fromMs, untilMs }) => sum + untilMs - fromMs, 0)
        expect(screen.reduce((a, b) => a + b) * slotMs).toBeCloseTo(shownMs, 3)
        expect(Math.max(...screen)).toBeLessThanOrEqual(1)
        expect(screenShare(figures, figures.fromMs, figures.fromMs + figures.slots * slotMs)).toBeCloseTo(
          screen.reduce((a, b) => a + b) / screen.length,
        )
        expect(screenShare(figures, figures.busiest.fromMs, figures.busiest.untilMs)).toBeCloseTo(figures.busiest.share)
      }),
    )
  })
  it('say how late each began, how many waited, and when the screen was taken most', () => {
    // Four at once, one after another: 5 s each and 0.4 s between, and 0.12 s until the source has each.
    const { night, decided } = follows([0, 0, 0, 0])
    const figures = figuresOf(night, [partOf(decided, playNight(decided, plainPolicy, { timeZone }))])
    expect(figures.late.map(({ lateMs }) => lateMs)).toEqual([120, 5_640, 11_160, 16_680])
    expect(figures.all).toEqual({ count: 4, p50Ms: 5_640, p95Ms: 16_680, worstMs: 16_680 })
    expect(figures.waiting).toEqual([3, 2, 0])
    expect(figures).toMatchObject({ slotMs: 10_000, slots: 3, overAtMs: 21_680 })
    expect(figures.busiest.share).toBeCloseTo(20_000 / 30_000)
  })
  it('keep the latest dots when there are too many to draw', () => {
    const dots = Array.from({ length: 10_000 }, (_, at) => ({ at, atMs: at * 10, lateMs: (at * 7_919) % 10_007 }))
    const kept = thinned(dots, 300)
    expect(kept.length).toBeLessThanOrEqual(300)
    expect(Math.max(...kept.map(({ lateMs }) => lateMs))).toBe(Math.max(...dots.map(({ lateMs }) => lateMs)))
    expect(kept.map(({ at }) => at)).toEqual(kept.map(({ at }) => at).sort((a, b) => a - b))
    expect(thinned(dots.slice(0, 20), 300)).toEqual(dots.slice(0, 20))
  })
})

describe('a night that is played', () => {
  it('keeps hours of quiet: what comes in them is shown when they end, or let go', () => {
    const noon = 12 * 3_600_000
    const { decided } = follows([noon - 60_000, noon + 60_000, noon + 120_000])
    const quiet = (does: 'collect' | 'letGo'): BoxPolicy => [
      { rule: 'quiet', isOn: true, when: { is: 'hours', from: 720, until: 725 }, does },
    ]
    const collected = playNight(decided, readyPolicy(quiet('collect')), { timeZone })
    expect([...collected.shown.values()].map(({ fromMs }) => fromMs)).toEqual([
      noon - 60_000 + 120,
      noon + 300_000 + 120,
      noon + 300_000 + 5_640,
    ])
    const letGo = playNight(decided, readyPolicy(quiet('letGo')), { timeZone })
    expect([...letGo.ends.values()].map(({ outcome }) => outcome)).toEqual(['played', 'expired', 'expired'])
  })
  it('lets everything through that somebody would have to', () => {
    const { decided } = follows([0, 100])
    const approve: BoxPolicy = [{ rule: 'approve', isOn: true, kinds: ['follow'], isFlagged: false, withinMs: 60_000 }]
    const { ends } = playNight(decided, readyPolicy(approve), { timeZone })
    expect([...ends.values()].map(({ outcome }) => outcome)).toEqual(['played', 'played'])
  })
  it('lasts as long as it is shown, where that is not what stood in the line', () => {
    const { decided } = follows([0, 0])
    const { shown } = playNight(decided, plainPolicy, { timeZone, lengthOf: () => 4_000 })
    expect([...shown.values()].map(({ fromMs, untilMs }) => untilMs - fromMs)).toEqual([4_000, 4_000])
  })
})
