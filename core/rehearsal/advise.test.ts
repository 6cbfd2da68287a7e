import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { EventKind } from '../events/kinds.ts'
import { boxPolicy, readyPolicy, usualPolicy, type BoxPolicy } from '../queue/policy.ts'
import type { Ticket } from '../queue/ticket.ts'
import { advise, changesFor, withChanges, type Judged } from './advise.ts'
import { playIdOf, type DecidedEvent } from './decideNight.ts'
import { figuresOf, judgedBy } from './figures.ts'
import { nightOf } from './night.ts'
import { itemsOf } from './itemsOf.ts'
import { nothingCalled } from './rehearsedCall.ts'
import { playNight, type PlayedNight } from './playNight.ts'
import { sampleEvent } from '../events/sampleEvent.ts'

const partOf = (decided: readonly DecidedEvent[], played: PlayedNight) => ({
  items: itemsOf('', decided, nothingCalled),
  played,
})

interface Came {
  atMs: number
  kind: 'follow' | 'tip' | 'giftBatch' | 'giftRecipient'
  amount?: number
  canShare?: boolean
}

function decidedOf(came: readonly Came[]): { decided: DecidedEvent[]; judge: (policy: BoxPolicy) => Judged } {
  const events = [...came].sort((a, b) => a.atMs - b.atMs)
  const night = nightOf(
    events.map(({ atMs, kind }, at) => ({
      atMs,
      event: { ...sampleEvent(kind, 'everyday', atMs), source: 'feed:x', externalId: `e${at}` } as never,
    })),
  )
  const decided = events.map(({ atMs, kind, amount = null, canShare = true }, at): DecidedEvent => {
    const facts: Ticket['facts'] = {
      ...{ kind: kind as EventKind, alertId: kind, variationId: kind, amount, hasWords: false, isFlagged: false },
      ...{ shortestMs: 3_000, isOnlyHeard: false, isTest: false },
      gifts: kind.startsWith('gift') ? { id: 'tray', isHead: kind === 'giftBatch', promised: 20 } : null,
      several: canShare ? { lengthMs: 7_000, shortestMs: 4_000 } : null,
    }
    const ticket = { playId: playIdOf(at), enqueuedAtMs: atMs, lengthMs: 6_000, facts }
    return {
      at,
      decided: '',
      why: null,
      arrival: { atMs, ticket },
      settled: null,
    }
  })
  return {
    decided,
    judge: (policy) =>
      judgedBy(figuresOf(night, [partOf(decided, playNight(decided, readyPolicy(policy), { timeZone: 'UTC' }))])),
  }
}
const flood = (kind: Came['kind'], count: number, of: Partial<Came> = {}): Came[] =>
  Array.from({ length: count }, (_, at) => ({ atMs: at * 500, kind, ...of }))
const adviceFor = (came: readonly Came[], policy: BoxPolicy, targetMs: number) => {
  const { decided, judge } = decidedOf(came)
  return advise(policy, changesFor(policy, decided), targetMs, judge)
}

describe('advice', () => {
  it('of follows by the dozen is that they become one', () => {
    const { steps, isReached, policy, now } = adviceFor(flood('follow', 60), [], 30_000)
    expect(steps.map(({ change }) => change.sentence)).toMatchObject([{ rule: 'merge', kinds: ['follow'] }])
    expect(isReached).toBe(true)
    expect(policy).toHaveLength(1)
    expect(steps[0]?.before).toEqual(now)
    expect(steps[0]?.after.p95Ms).toBeLessThan(30_000)
  })
  it('is nothing where nobody waits, or nothing can be said', () => {
    expect(adviceFor(flood('follow', 3), [], 30_000)).toMatchObject({ steps: [], isReached: true, tried: 1 })
    expect(adviceFor([], usualPolicy, 30_000)).toMatchObject({ steps: [], isReached: true })
  })
  it('lets nothing go where something gentler does it, and says so where nothing else does', () => {
    const gentle = adviceFor(flood('follow', 60), [], 30_000)
    expect(gentle.steps.every(({ change }) => change.sentence.rule !== 'age')).toBe(true)
    const alone = adviceFor(flood('follow', 60, { canShare: false }), [], 70_000)
    expect(alone).toMatchObject({ isReached: true })
    expect(alone.steps.map(({ change }) => change.sentence.rule)).toContain('age')
    expect(alone.steps.at(-1)?.after.letGo).toBeGreaterThan(0)
  })
  it('is as near as it comes where nothing reaches it', () => {
    const { steps, isReached, now } = adviceFor(flood('tip', 200, { canShare: false }), [], 5_000)
    expect(isReached).toBe(false)
    expect(steps.at(-1)?.after.p95Ms).toBeLessThan(now.p95Ms)
  })
  it('of several sentences is in the order in which each does most', () => {
    const came = [
      ...flood('follow', 40),
      ...flood('tip', 40, { amount: 300, atMs: 30_000 }),
      { atMs: 0, kind: 'giftBatch' as const },
      ...flood('giftRecipient', 20),
    ]
    const { steps, isReached, others } = adviceFor(came, [{ rule: 'gap', isOn: true, ms: 2_000 }], 25_000)
    expect(isReached).toBe(true)
    expect(steps.length).toBeGreaterThan(1)
    const waits = steps.map(({ after }) => after.p95Ms)
    expect(waits).toEqual([...waits].sort((a, b) => b - a))
    expect(others.every(({ after, before }) => after.p95Ms < before.p95Ms)).toBe(true)
  })
  it('never makes nineteen of twenty wait longer, and is a policy that can be kept', () => {
    const came = fc.array(
      fc.record({
        atMs: fc.integer({ min: 0, max: 120_000 }),
        kind: fc.constantFrom('follow' as const, 'tip' as const),
        amount: fc.constantFrom(300, 5_000),
        canShare: fc.boolean(),
      }),
      { minLength: 1, maxLength: 40 },
    )
    const start = fc.constantFrom<BoxPolicy>([], usualPolicy, [
      { rule: 'gap', isOn: true, ms: 3_000 },
      { rule: 'airtime', isOn: true, percent: 30 },
      { rule: 'age', isOn: true, kinds: null, ms: 600_000 },
    ])
    fc.assert(
      fc.property(came, start, fc.constantFrom(1_000, 10_000, 30_000), (events, policy, targetMs) => {
        const { decided, judge } = decidedOf(events)
        const advice = advise(policy, changesFor(policy, decided), targetMs, judge)
        const kept = boxPolicy.parse(advice.policy)
        expect(judge(kept).p95Ms).toBeLessThanOrEqual(judge(policy).p95Ms)
        expect(judge(kept)).toEqual(advice.steps.at(-1)?.after ?? advice.now)
        expect(advice.isReached).toBe(judge(kept).p95Ms <= targetMs)
        expect(
          withChanges(
            policy,
            advice.steps.map(({ change }) => change),
          ).length,
        ).toBe(kept.length)
      }),
      { numRuns: 40 },
    )
  })
})
