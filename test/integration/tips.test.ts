import fc from 'fast-check'
import { expect } from 'vitest'
import type { PaymentNotice } from '../../contract/tips.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import { goal as goalSchema, type Goal } from '../../core/goal/schema.ts'
import { usualCalls } from '../../core/triggers/settings.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { listEvents } from '../../server/db/queries/events.ts'
import { addFeed, findFeed } from '../../server/db/queries/feeds.ts'
import { addGoal, addUpGoal, findGoal, listStaleGoals } from '../../server/db/queries/goals.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { readBalances } from '../../server/db/queries/runs.ts'
import { findCheckout, findTipPage, keepTipPage, listReceipts, sumReceipts } from '../../server/db/queries/tips.ts'
import { balance, pointsEntry } from '../../server/db/triggerSchema.ts'
import { decideEvents } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import type { CheckoutToPay } from '../../server/tips/provider.ts'
import { TipDesk } from '../../server/tips/tipDesk.ts'
import { demoTipPage } from '../../demo/tips.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const nowMs = Date.UTC(2026, 10, 29, 22)

onEachDatabase('tips', ({ db, whereHere }) => {
  let count = 0

  /** A channel with a tip page, a goal that its tips count in, and points for them. */
  async function room(fields: Partial<Goal> = {}) {
    const channelId = `t${count++}`
    const feedId = `feed-${channelId}`
    const points = { ...usualCalls.points, earned: [{ kind: 'tip' as const, points: 1, perMinor: 10 }] }
    await addChannel(db(), {
      ...{ id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR', rates: {} },
      calls: { ...usualCalls, points },
    })
    await addFeed(db(), {
      ...{ id: feedId, channelId, platform: 'till', name: 'Till', account: 'tip-page', secret: 'whsec_c2VjcmV0' },
    })
    const goal = goalSchema.parse({
      ...{ id: 'oven', title: 'New oven fund', measure: { of: 'money', kinds: ['tip'] }, sources: null },
      ...{ startAmount: 0, target: 100_000, stretches: [], fromMs: nowMs - 1000, untilMs: null, then: { do: 'stop' } },
      ...fields,
    })
    await addGoal(db(), channelId, goal)
    const onAir = new OnAirCache(db())
    const opens: CheckoutToPay[] = []
    const lookAtGoals = async () => {
      for (const id of await listStaleGoals(db(), channelId)) await addUpGoal(db(), channelId, id)
    }
    await lookAtGoals()
    onAir.forget(channelId)
    const desk = new TipDesk({
      db: db(),
      now: () => nowMs,
      provider: {
        isThere: () => Promise.resolve(true),
        open: (checkout) => Promise.resolve((opens.push(checkout), `/pay/${checkout.id}`)),
        refund: () => Promise.resolve(true),
      },
      async accept(feed, _noticeId, _raw, { events }) {
        const request = { channelId, onAir: await onAir.read(channelId), onlyBoxId: null, feed: null, pretended: null }
        const incoming = events.map((event) => ({ ...event, isTest: false }))
        expect(feed.id).toBe(feedId)
        return keepDecided(db(), [decideEvents({ ...request, incoming, previous: [], nowMs })])
      },
      calls: {
        async act(_channelId, act) {
          if (act.do !== 'enter') return false
          for (const { viewerId, change, why, reference } of act.entries) {
            await db().insert(pointsEntry).values({ channelId, viewerId, change, why, reference, at: new Date() })
            const points = ((await readBalances(db(), channelId, [viewerId])).get(viewerId) ?? 0) + change
            await db()
              .insert(balance)
              .values({ channelId, viewerId, name: '', points })
              .onConflictDoUpdate({
                target: [balance.channelId, balance.viewerId],
                set: { points },
              })
          }
          return true
        },
      },
      lines: { act: () => Promise.resolve(true) },
      onRefund: lookAtGoals,
      onError: (error) => {
        throw error
      },
    })
    const feed = async () => {
      const found = await findFeed(db(), feedId)
      if (!found) throw new Error('there is no feed')
      return found
    }
    let notices = 0
    return {
      ...{ channelId, feedId, desk, opens, feed, source: feedSource(feedId) },
      leave: async (amountMinor: number, requestId = `request-${count++}`, name = 'Juno Flint') =>
        desk.open(
          await feed(),
          requestId,
          { amountMinor, currency: 'EUR', name, message: 'نورا خبز 🥐', choice: 'kettle' },
          'A loaf',
        ),
      hear: async (reference: string, type: PaymentNotice['type'], amount: number, atMs = nowMs) =>
        desk.hear(await feed(), `notice-${notices++}`, '{}', {
          ...{ type, timestamp: new Date(atMs).toISOString(), data: { reference, amount, currency: 'EUR' } },
        }),
      sum: async () => (await findGoal(db(), channelId, 'oven'))?.sum,
      points: async () => [...(await readBalances(db(), channelId, await viewersOf(channelId))).values()],
      tips: async () => (await listEvents(db(), channelId, 0, 100)).filter(({ kind }) => kind === 'tip'),
    }
  }
  const viewersOf = async (channelId: string) =>
    (await db().select().from(balance)).flatMap((row) => (row.channelId === channelId ? [row.viewerId] : []))

  whereHere('are nothing until they are paid, and one tip however often that is said', async () => {
    const { leave, hear, sum, tips, opens, points, source } = await room()
    const { id, url } = await leave(2500)
    expect(url).toBe(`/pay/${id}`)
    // What was written stays here: the provider is told what it costs and no more.
    expect(JSON.stringify(opens)).not.toMatch(/Juno|خبز|kettle/)
    expect(await tips()).toEqual([])
    await hear(id, 'checkout.failed', 2500)
    expect(await tips()).toEqual([])
    expect((await findCheckout(db(), id))?.state).toBe('failed')
    await hear(id, 'checkout.paid', 2500)
    await hear(id, 'checkout.paid', 2500)
    const [tip, ...others] = await tips()
    expect(others).toEqual([])
    expect(tip).toMatchObject({
      ...{ source, externalId: `tip-${id}`, isTest: false },
      data: { amountMinor: 2500, currency: 'EUR', choice: 'kettle', message: { text: 'نورا خبز 🥐' } },
    })
    expect(tip?.data.viewer?.name).toBe('Juno Flint')
    expect(await sum()).toBe(2500)
    expect(await points()).toEqual([250])
    // A card that is refused late takes nothing back.
    await hear(id, 'checkout.failed', 2500)
    expect((await findCheckout(db(), id))?.state).toBe('paid')
  })

  whereHere('asked for twice are one; of what the provider names and nobody asked for nothing comes', async () => {
    const { leave, hear, tips } = await room()
    const [one, again] = [await leave(500, 'the-same'), await leave(500, 'the-same')]
    expect(again).toEqual(one)
    expect(await hear('checkout-unknown', 'checkout.paid', 500)).toBe(false)
    const elsewhere = await room()
    const theirs = await elsewhere.leave(700)
    expect(await hear(theirs.id, 'checkout.paid', 700)).toBe(false)
    expect(await tips()).toEqual([])
  })

  whereHere('given back leave nothing behind: in goals, points and receipts, also said twice', async () => {
    const { leave, hear, sum, points, channelId, source } = await room()
    const kept = await leave(1000)
    const back = await leave(2500)
    for (const { id, amount } of [
      { ...kept, amount: 1000 },
      { ...back, amount: 2500 },
    ])
      await hear(id, 'checkout.paid', amount)
    expect(await sum()).toBe(3500)
    for (let times = 0; times < 2; times++) {
      await hear(back.id, 'checkout.refunded', 2500)
      expect(await sum()).toBe(1000)
      expect(await points()).toEqual([100])
    }
    // Paid said once more, afterwards.
    await hear(back.id, 'checkout.paid', 2500)
    expect(await sum()).toBe(1000)
    expect(await sumReceipts(db(), channelId, [source], new Date(nowMs - 1000))).toEqual([
      { currency: 'EUR', amountMinor: 1000, count: 1 },
    ])
    const receipts = await listReceipts(db(), channelId, [source], null, 10)
    expect(receipts.map(({ refundedAt }) => refundedAt !== null)).toEqual([true, false])
    expect(await listReceipts(db(), channelId, [], null, 10)).toEqual([])
  })

  whereHere('take no more points back than are left', async () => {
    const { leave, hear, points, channelId } = await room()
    const { id } = await leave(1000)
    await hear(id, 'checkout.paid', 1000)
    const [viewerId = ''] = await viewersOf(channelId)
    await db().update(balance).set({ points: 30 })
    expect((await readBalances(db(), channelId, [viewerId])).get(viewerId)).toBe(30)
    await hear(id, 'checkout.refunded', 1000)
    expect(await points()).toEqual([0])
  })

  whereHere('count by the moment at which they were paid, and the end of a goal is not in it', async () => {
    const { leave, hear, sum } = await room({ untilMs: nowMs + 1000 })
    const [inTime, late] = [await leave(300), await leave(500)]
    await hear(inTime.id, 'checkout.paid', 300, nowMs + 999)
    await hear(late.id, 'checkout.paid', 500, nowMs + 1000)
    expect(await sum()).toBe(300)
    // Also one that is given back after the goal has ended.
    await hear(inTime.id, 'checkout.refunded', 300, nowMs + 5000)
    expect(await sum()).toBe(0)
  })

  whereHere('come out the same in whatever order notices arrive, as far as a refund is concerned', async () => {
    const { leave, hear, sum, tips } = await room()
    const types = fc.constantFrom('checkout.paid', 'checkout.failed', 'checkout.refunded')
    let expected = 0
    await fc.assert(
      fc.asyncProperty(
        fc.array(types, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 1, max: 9999 }),
        async (of, minor) => {
          const { id } = await leave(minor)
          for (const type of of) await hear(id, type, minor)
          if (of.includes('checkout.paid') && !of.includes('checkout.refunded')) expected += minor
          expect(await sum()).toBe(expected)
          const mine = (await tips()).filter(({ externalId }) => externalId === `tip-${id}`)
          expect(mine.length).toBe(of.includes('checkout.paid') ? 1 : 0)
        },
      ),
      { numRuns: 25 },
    )
  })

  whereHere('have a page that two people do not overwrite each other on', async () => {
    const { channelId } = await room()
    expect(await findTipPage(db(), channelId)).toBeNull()
    expect(await keepTipPage(db(), channelId, demoTipPage, 0)).toBe(true)
    expect(await keepTipPage(db(), channelId, { ...demoTipPage, about: 'mine' }, 0)).toBe(false)
    expect(await keepTipPage(db(), channelId, { ...demoTipPage, about: 'theirs' }, 1)).toBe(true)
    expect(await findTipPage(db(), channelId)).toMatchObject({ page: { about: 'theirs' }, revision: 2 })
  })
})
