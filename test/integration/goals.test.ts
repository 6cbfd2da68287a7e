import { expect } from 'vitest'
import type { EventKind } from '../../core/events/kinds.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { sumOf } from '../../core/goal/contribution.ts'
import { goal as goalSchema, type Goal } from '../../core/goal/schema.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { listEvents } from '../../server/db/queries/events.ts'
import {
  addGoal,
  changeGoal,
  correctGoal,
  findGoal,
  listCountedEvents,
  refundEvent,
  setRates,
} from '../../server/db/queries/goals.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { GoalKeeper } from '../../server/goals/goalKeeper.ts'
import { canonicalOf, decideEvents, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const startMs = Date.UTC(2026, 10, 1)
const hourMs = 3_600_000

onEachDatabase('goals', ({ db, whereHere }) => {
  let count = 0

  /** A channel with goals, and whoever looks after them. */
  async function room(...goals: Partial<Goal>[]) {
    const channelId = `c${count++}`
    await addChannel(db(), {
      ...{ id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR', rates: { USD: 0.5 } },
    })
    const documents = goals.map((fields, index) =>
      goalSchema.parse({
        ...{ id: `goal-${index}`, title: 'New oven fund', measure: { of: 'money', kinds: ['tip'] }, sources: null },
        ...{ startAmount: 100, target: 1000, stretches: [], fromMs: startMs, untilMs: null, then: { do: 'stop' } },
        ...fields,
      }),
    )
    for (const each of documents) await addGoal(db(), channelId, each)
    const onAir = new OnAirCache(db())
    const clock = { nowMs: startMs + hourMs }
    const channel = () => onAir.read(channelId)
    const decided = (channelOnAir: ChannelOnAir, incoming: readonly IncomingEvent[]) =>
      decideEvents({
        ...{ channelId, onAir: channelOnAir, incoming, onlyBoxId: null, feed: null, previous: [], pretended: null },
        nowMs: clock.nowMs,
      })
    const happen = async (...incoming: IncomingEvent[]) => keepDecided(db(), [decided(await channel(), incoming)])
    const keeper = new GoalKeeper({
      db: db(),
      now: () => clock.nowMs,
      onAir: channel,
      forget: () => onAir.forget(channelId),
      accept: (_channelId, incoming) => happen(...incoming),
      onChange: () => undefined,
      onError: (error) => {
        throw error
      },
    })
    return {
      ...{ channelId, documents, onAir, clock, channel, decided, happen, keeper },
      told: async () =>
        (await listEvents(db(), channelId, 0, 500)).flatMap(({ kind, data }) =>
          kind === 'goalStarted' || kind === 'goalReached'
            ? [`${kind} ${(data as { targetMinor: number }).targetMinor}`]
            : [],
        ),
      /** What is kept beside what all events bring by the core. */
      sums: async (id: string) => {
        const row = await findGoal(db(), channelId, id)
        if (!row) throw new Error('there is no such goal')
        const { currency, rates } = await channel()
        const events = (await listCountedEvents(db(), channelId, row.document, null, 10_000)).map(
          ({ event, refundedAt }) => ({
            event: canonicalOf(event),
            isTest: event.isTest,
            isRefunded: refundedAt !== null,
          }),
        )
        return [row.sum, sumOf(row.document, events, { currency, rates })]
      },
    }
  }
  const event = (kind: EventKind, data: object, fields: Partial<IncomingEvent> = {}): IncomingEvent => ({
    ...{ kind, source: 'feed:f', externalId: `e-${count++}`, occurredAtMs: startMs + 1000, isTest: false },
    data: { ...sampleEvent(kind).data, ...data } as CanonicalEvent['data'],
    ...fields,
  })
  const tip = (amountMinor: number, currency = 'EUR', fields: Partial<IncomingEvent> = {}) =>
    event('tip', { amountMinor, currency }, fields)

  whereHere('count with the commit: what comes twice once, tests and what is given back never', async () => {
    const { happen, keeper, sums, channelId } = await room({})
    await keeper.look(channelId)
    const once = tip(500)
    await happen(once, tip(301, 'USD'), tip(700, 'EUR', { isTest: true }), event('follow', {}))
    await happen(once)
    expect(await sums('goal-0')).toEqual([651, 651])
    const [first] = await listEvents(db(), channelId, 0, 10).then((all) => all.filter(({ kind }) => kind === 'tip'))
    expect(await refundEvent(db(), channelId, first?.id ?? '', new Date())).toBe(true)
    expect(await refundEvent(db(), channelId, first?.id ?? '', new Date())).toBe(false)
    await keeper.look(channelId)
    expect(await sums('goal-0')).toEqual([151, 151])
  })

  whereHere('are told when they begin and when they are reached, once, whatever becomes of the amount', async () => {
    const { happen, keeper, told, channelId, clock } = await room({ stretches: [2000], fromMs: startMs + 10 })
    clock.nowMs = startMs
    await keeper.look(channelId)
    expect(await told()).toEqual([])
    clock.nowMs = startMs + hourMs
    await happen(tip(900))
    await Promise.all([keeper.look(channelId), keeper.look(channelId)])
    expect(await told()).toEqual(['goalStarted 1000', 'goalReached 1000'])
    const correction = {
      ...{ id: 'once', channelId, goalId: 'goal-0', why: 'counted twice', byName: 'Bram Quill', at: new Date() },
    }
    expect(await correctGoal(db(), { ...correction, amount: -500 })).toBe(true)
    expect(await correctGoal(db(), { ...correction, amount: -500 })).toBe(false)
    await happen(tip(1500))
    await keeper.look(channelId)
    expect(await told()).toEqual(['goalStarted 1000', 'goalReached 1000', 'goalReached 2000'])
  })

  whereHere('begin what comes next with what is reached, and end with their time', async () => {
    const { happen, keeper, told, channelId, clock } = await room(
      { then: { do: 'next', goalId: 'goal-1' } },
      { title: 'Flour', fromMs: startMs + 100 * hourMs, target: 50, startAmount: 0, untilMs: startMs + 200 * hourMs },
    )
    await happen(tip(900))
    await keeper.look(channelId)
    await keeper.look(channelId)
    expect(await told()).toEqual(['goalStarted 1000', 'goalReached 1000', 'goalStarted 50'])
    const next = await findGoal(db(), channelId, 'goal-1')
    expect([next?.document.fromMs, next?.endedAt]).toEqual([clock.nowMs, null])
    clock.nowMs = startMs + 200 * hourMs
    await keeper.look(channelId)
    expect((await findGoal(db(), channelId, 'goal-1'))?.endedAt).not.toBeNull()
    // What happened in its last second and comes late is counted all the same.
    await happen(
      tip(75, 'EUR', { occurredAtMs: startMs + 200 * hourMs - 1 }),
      tip(5, 'EUR', { occurredAtMs: clock.nowMs }),
    )
    expect((await findGoal(db(), channelId, 'goal-1'))?.sum).toBe(75)
  })

  whereHere('add up to the same as counted anew, though they and rates change under what is on its way', async () => {
    const { happen, keeper, sums, channelId, channel, decided, onAir, documents } = await room({}, { target: 5000 })
    const [first] = documents
    if (!first) throw new Error('there is one')
    for (let round = 0; round < 8; round++) {
      const before = await channel()
      // Decided by what was before, written while it changes.
      const late = Array.from({ length: 4 }, (_, at) => decided(before, [tip(100 + at, at % 2 ? 'USD' : 'EUR')]))
      const row = await findGoal(db(), channelId, first.id)
      await Promise.all([
        ...late.map((each) => keepDecided(db(), [each])),
        changeGoal(
          db(),
          channelId,
          { ...first, measure: { of: 'money', kinds: round % 2 ? ['tip'] : ['purchase'] } },
          row?.revision ?? 0,
        ),
        setRates(db(), channelId, { USD: 0.5 + round / 10 }),
        round === 4 ? addGoal(db(), channelId, { ...first, id: 'late' }) : null,
        keeper.look(channelId),
      ])
      onAir.forget(channelId)
      await happen(tip(10, 'USD'), event('purchase', { amountMinor: 33, currency: 'USD' }))
      await keeper.look(channelId)
    }
    for (const id of ['goal-0', 'goal-1', 'late']) {
      const [kept, anew] = await sums(id)
      expect(kept).toBe(anew)
      expect(anew).toBeGreaterThan(0)
    }
  })

  whereHere('count the same in groups as one by one, for every measure', async () => {
    const measures: Goal['measure'][] = [
      { of: 'follows' },
      { of: 'subscriptions', weights: { 1: 1, 2: 2, 3: 6 }, renewals: true, gifts: true },
      { of: 'members', renewals: true },
      { of: 'points' },
      { of: 'party' },
      { of: 'money', kinds: ['tip', 'purchase', 'paidMessage', 'charityDonation'] },
    ]
    const { happen, keeper, sums, channelId } = await room(...measures.map((measure) => ({ measure })))
    const kinds: EventKind[] = [
      ...(['follow', 'subscription', 'resubscription', 'giftBatch', 'giftRecipient', 'membership'] as const),
      ...(['membershipRenewal', 'applause', 'raid', 'tip', 'purchase', 'paidMessage', 'charityDonation'] as const),
    ]
    await happen(...kinds.flatMap((kind) => [event(kind, {}), event(kind, {})]))
    await happen(event('subscription', { tier: 3 }), event('giftRecipient', { tier: 2, groupId: '' }))
    await setRates(db(), channelId, { USD: 0.9 })
    await keeper.look(channelId)
    for (const index of measures.keys()) {
      const [kept, anew] = await sums(`goal-${index}`)
      expect([index, kept]).toEqual([index, anew])
      expect(anew).toBeGreaterThan(0)
    }
  })
})
