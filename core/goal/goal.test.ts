import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { EventKind } from '../events/kinds.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { changeOf, contributionOf, shownAmount, sumOf, type KeptEvent } from './contribution.ts'
import { moneyKinds } from '../events/moneyKinds.ts'
import { goal as goalSchema, type Goal } from './schema.ts'
import { isDone, newlyReached, nothingTold, standingOf } from './standing.ts'

const fromMs = Date.UTC(2026, 10, 1)
const untilMs = Date.UTC(2026, 11, 21)
const rates = { currency: 'EUR', rates: { USD: 0.5 } }
const oven: Goal = goalSchema.parse({
  ...{ id: 'oven', title: 'New oven fund', measure: { of: 'money', kinds: ['tip', 'paidMessage'] }, sources: null },
  ...{ startAmount: 12_000, target: 100_000, stretches: [150_000, 200_000], fromMs, untilMs, then: { do: 'stop' } },
})
const of = (fields: Partial<Goal>): Goal => goalSchema.parse({ ...oven, ...fields })
const kept = (kind: EventKind, data: object = {}, fields: Partial<CanonicalEvent> = {}): KeptEvent => {
  const event = sampleEvent(kind, 'everyday', fromMs + 1000)
  return {
    event: { ...event, ...fields, data: { ...event.data, ...data } } as CanonicalEvent,
    ...{ isTest: false, isRefunded: false },
  }
}
const tip = (amountMinor: number, currency = 'EUR') => kept('tip', { amountMinor, currency })
const counted = (goal: Goal, each: KeptEvent) => contributionOf(goal, each, rates)?.amount ?? null

describe('a goal', () => {
  it('ends behind its begin, and has its stretches behind its target', () => {
    const faultOf = (fields: object) => goalSchema.safeParse({ ...oven, ...fields }).error?.issues[0]?.path[0]
    expect(faultOf({ untilMs: fromMs })).toBe('untilMs')
    expect(faultOf({ stretches: [90_000] })).toBe('stretches')
    expect(faultOf({ stretches: [150_000, 150_000] })).toBe('stretches')
    expect(faultOf({ then: { do: 'repeat' } })).toBe('stretches')
    expect(faultOf({ then: { do: 'next', goalId: 'oven' } })).toBe('then')
    expect(faultOf({ target: 0 })).toBe('target')
  })

  it('counts money of the kinds it names, by the rates; tests, refunds and money without a rate are nothing', () => {
    expect(moneyKinds).toEqual(['tip', 'paidMessage', 'charityDonation', 'purchase'])
    expect([counted(oven, tip(500)), counted(oven, tip(500, 'USD'))]).toEqual([500, 250])
    expect(counted(oven, kept('purchase'))).toBeNull()
    expect(contributionOf(oven, tip(500, 'JPY'), rates)).toEqual({ amount: 0, note: 'noRate' })
    expect(contributionOf(oven, { ...tip(500), isTest: true }, rates)).toEqual({ amount: 0, note: 'test' })
    expect(contributionOf(oven, { ...tip(500), isRefunded: true }, rates)).toEqual({ amount: 0, note: 'refunded' })
  })

  it('counts what happened in its time, to the last millisecond, whenever that arrives; and feeds that it names', () => {
    const at = (occurredAtMs: number) => counted(oven, kept('tip', { amountMinor: 7 }, { occurredAtMs }))
    expect([fromMs - 1, fromMs, untilMs - 1, untilMs].map(at)).toEqual([null, 7, 7, null])
    const cedar = of({ sources: ['feed:cedar'] })
    expect(counted(cedar, kept('tip', {}, { source: 'feed:alder' }))).toBeNull()
    expect(counted(cedar, kept('tip', { amountMinor: 7 }, { source: 'feed:cedar' }))).toBe(7)
  })

  it('counts subscriptions by their tiers, gifts by their batch, and everything else in ones', () => {
    const subscriptions = of({
      measure: { of: 'subscriptions', weights: { 1: 1, 2: 2, 3: 6 }, renewals: false, gifts: true },
    })
    expect(counted(subscriptions, kept('subscription', { tier: 3 }))).toBe(6)
    expect(counted(subscriptions, kept('resubscription', { tier: 3 }))).toBeNull()
    expect(counted(subscriptions, kept('giftBatch', { tier: 2, count: 5 }))).toBe(10)
    expect(counted(subscriptions, kept('giftRecipient', { groupId: 'batch' }))).toBeNull()
    expect(counted(subscriptions, kept('giftRecipient', { tier: 1, groupId: '' }))).toBe(1)
    expect(counted(of({ measure: { of: 'follows' } }), kept('follow'))).toBe(1)
    expect(counted(of({ measure: { of: 'members', renewals: true } }), kept('membershipRenewal'))).toBe(1)
    expect(counted(of({ measure: { of: 'members', renewals: false } }), kept('membershipRenewal'))).toBeNull()
    expect(counted(of({ measure: { of: 'points' } }), kept('applause', { points: 500 }))).toBe(500)
    expect(counted(of({ measure: { of: 'party' } }), kept('raid', { partySize: 64 }))).toBe(64)
  })

  it('has the same amount kept step by step as counted anew, whatever comes, comes again, goes back and is corrected', () => {
    const act = fc.oneof(
      fc.record({
        key: fc.nat(12),
        amountMinor: fc.nat(1_000_000_000),
        currency: fc.constantFrom('EUR', 'USD', 'JPY'),
        isTest: fc.boolean(),
        occurredAtMs: fc.constantFrom(fromMs - 1, fromMs, untilMs - 1, untilMs),
      }),
      fc.record({ refund: fc.nat(12) }),
      fc.record({ correct: fc.integer({ min: -5_000_000, max: 5_000_000 }) }),
    )
    fc.assert(
      fc.property(fc.array(act, { maxLength: 60 }), (acts) => {
        const events = new Map<number, KeptEvent>()
        const corrections: { amount: number }[] = []
        let sum = 0
        const put = (key: number, after: KeptEvent) => {
          sum += changeOf(oven, events.get(key) ?? null, after, rates)
          events.set(key, after)
        }
        for (const each of acts) {
          if ('correct' in each) corrections.push({ amount: each.correct })
          else if ('refund' in each) {
            const found = events.get(each.refund)
            // Given back twice is given back once.
            if (found) put(each.refund, { ...found, isRefunded: true })
          } else if (!events.has(each.key)) {
            const { key, isTest, occurredAtMs, ...money } = each
            put(key, { ...kept('tip', money, { occurredAtMs }), isTest })
          }
        }
        const amount = shownAmount(oven, sum, corrections)
        expect(amount).toBe(shownAmount(oven, sumOf(oven, events.values(), rates), corrections))
        expect(amount).toBeGreaterThanOrEqual(0)
      }),
    )
  })
})

describe('how a goal stands', () => {
  const standing = (amount: number, nowMs = fromMs, goal = oven) => standingOf(goal, amount, nowMs, 'Europe/Lisbon')

  it('wants the target, then each stretch, and shows more than all of it', () => {
    expect(standing(60_500)).toMatchObject({ target: 100_000, ratio: 0.605, reached: [] })
    expect(standing(100_000)).toMatchObject({ target: 150_000, reached: [100_000] })
    expect(standing(250_000)).toMatchObject({ target: 200_000, ratio: 1.25, reached: [100_000, 150_000, 200_000] })
  })

  it('counts the days of the channel’s calendar, down to none on the last', () => {
    const zone = 'Europe/Lisbon'
    expect(standing(0, Date.UTC(2026, 11, 1, 22)).daysLeft).toBe(19)
    expect(standing(0, untilMs - 1).daysLeft).toBe(0)
    expect([standing(0, untilMs), standing(0, fromMs - 1)].map(({ phase }) => phase)).toEqual(['over', 'coming'])
    expect(standing(0, untilMs).daysLeft).toBeNull()
    expect(standing(0, fromMs, of({ untilMs: null })).daysLeft).toBeNull()
    // It ends at the channel's midnight, which is another day's evening elsewhere.
    expect(standingOf(oven, 0, Date.UTC(2026, 11, 20, 6), 'Pacific/Auckland').daysLeft).toBe(1)
    expect(standingOf(oven, 0, Date.UTC(2026, 11, 20, 6), zone).daysLeft).toBe(0)
  })

  it('is full again and again where it repeats, with what is over in the next round', () => {
    const again = of({ stretches: [], then: { do: 'repeat' } })
    expect(standing(250_000, fromMs, again)).toMatchObject({ round: 2, amount: 50_000, ratio: 0.5, reached: [] })
  })

  it('is done at its end, and where all of it is reached and another waits', () => {
    const next = of({ then: { do: 'next', goalId: 'flour' } })
    expect([isDone(oven, 200_000, fromMs), isDone(next, 199_999, fromMs), isDone(next, 200_000, fromMs)]).toEqual([
      false,
      false,
      true,
    ])
    expect(isDone(oven, 0, untilMs)).toBe(true)
  })
})

describe('what is told of a goal', () => {
  it('is each target once, also where the amount falls and rises or the target is lowered beneath it', () => {
    const first = newlyReached(oven, 160_000, nothingTold)
    expect(first.reached.map(({ target }) => target)).toEqual([100_000, 150_000])
    expect(newlyReached(oven, 90_000, first.told).reached).toEqual([])
    expect(newlyReached(oven, 160_000, first.told).reached).toEqual([])
    expect(newlyReached(of({ target: 50_000 }), 160_000, first.told).reached).toEqual([{ target: 50_000, round: 0 }])
  })

  it('is told once per target and never of a round twice, by any way of the amount', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(400_000), { maxLength: 40 }), fc.boolean(), (amounts, repeats) => {
        const goal = repeats ? of({ stretches: [], then: { do: 'repeat' } }) : oven
        let told = nothingTold
        const heard: string[] = []
        for (const amount of amounts) {
          const result = newlyReached(goal, amount, told)
          told = result.told
          heard.push(...result.reached.map(({ target, round }) => `${target} ${round}`))
        }
        expect(new Set(heard).size).toBe(heard.length)
        const highest = Math.max(0, ...amounts)
        expect(heard.length > 0).toBe(highest >= goal.target)
        if (!repeats) expect(heard).toHaveLength([100_000, 150_000, 200_000].filter((each) => each <= highest).length)
        else expect(told.round).toBe(Math.floor(highest / goal.target))
      }),
    )
  })
})
