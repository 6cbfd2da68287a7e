import fc from 'fast-check'
import { expect } from 'vitest'
import { foldBroadcast, noBroadcast, overBy, type BroadcastInput } from '../../core/broadcast/foldBroadcast.ts'
import { bringUpToDate, markLive, reportOf } from '../../server/broadcasts/broadcasts.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { event } from '../../server/db/liveSchema.ts'
import { addMark, listBroadcasts } from '../../server/db/queries/broadcasts.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { fillMixedHistory } from '../arrange/history.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const minuteMs = 60_000
const hourMs = 60 * minuteMs
const startMs = Date.UTC(2026, 10, 1)

onEachDatabase('broadcasts', ({ db, handle, whereHere }) => {
  let channels = 0
  const newChannel = async () => {
    const id = `channel-${channels++}`
    await addChannel(db(), { id, name: 'Lantern Loaf', locale: 'en', timeZone: 'UTC', currency: 'EUR' })
    return id
  }
  const follow = (channelId: string, atMs: number, over: Partial<typeof event.$inferInsert> = {}) => ({
    ...{
      id: `event-${channelId}-${atMs}-${over.kind ?? 'follow'}`,
      channelId,
      source: 'feed:cedar',
      kind: 'follow' as const,
    },
    ...{ externalId: `${atMs}`, data: { viewer: { id: 'v', name: 'pip_rye' } }, isTest: false },
    ...{ occurredAt: new Date(atMs), receivedAt: new Date(atMs) },
    ...over,
  })

  whereHere(
    'are the same however often they are told on: as if everything had been told at once',
    async () => {
      const steps = fc.array(
        fc.record({
          afterMs: fc.oneof(fc.integer({ min: 1, max: hourMs }), fc.integer({ min: 1, max: 9 * hourMs })),
          is: fc.constantFrom('event' as const, 'event' as const, 'event' as const, 'begin' as const, 'end' as const),
          by: fc.constantFrom('hand' as const, 'studio' as const),
          isLookedAt: fc.boolean(),
        }),
        { minLength: 1, maxLength: 25 },
      )
      await fc.assert(
        fc.asyncProperty(steps, async (given) => {
          const channelId = await newChannel()
          let atMs = startMs
          let state = noBroadcast
          const wanted: object[] = []
          const ends = (over: { beganMs: number; endedMs: number } | null) =>
            over && wanted.push([over.beganMs, over.endedMs])
          for (const { afterMs, is, by, isLookedAt } of given) {
            atMs += afterMs
            const input: BroadcastInput = is === 'event' ? { is, atMs } : { is, by, atMs }
            if (is === 'event') await db().insert(event).values(follow(channelId, atMs))
            else await addMark(db(), { channelId, is, by, at: new Date(atMs) })
            const folded = foldBroadcast(state, input)
            ends(folded.ended)
            state = folded.state
            if (isLookedAt) await bringUpToDate(db(), channelId, atMs)
          }
          const nowMs = atMs + hourMs
          await bringUpToDate(db(), channelId, nowMs)
          await bringUpToDate(db(), channelId, nowMs)
          ends(overBy(state, nowMs))
          if (state.open && !overBy(state, nowMs)) wanted.push([state.open.beganMs, undefined])
          const told = (await listBroadcasts(db(), channelId)).reverse()
          expect(told.map(({ beganAt, endedAt }) => [beganAt.getTime(), endedAt?.getTime()])).toEqual(wanted)
        }),
        { numRuns: 40 },
      )
    },
    120_000,
  )

  whereHere('are not kept going by tests, and by what a channel does by itself', async () => {
    const channelId = await newChannel()
    await db()
      .insert(event)
      .values([
        follow(channelId, startMs),
        follow(channelId, startMs + 2 * hourMs, { isTest: true }),
        follow(channelId, startMs + 3 * hourMs, { kind: 'sponsorLine' }),
        follow(channelId, startMs + 5 * hourMs),
      ])
    await bringUpToDate(db(), channelId, startMs + 5 * hourMs)
    expect((await listBroadcasts(db(), channelId)).map(({ beganAt }) => beganAt.getTime() - startMs)).toEqual([
      5 * hourMs,
      0,
    ])
  })

  whereHere('begin and end with the studio', async () => {
    const channelId = await newChannel()
    await db().insert(event).values(follow(channelId, startMs))
    await markLive(db(), channelId, true, startMs + 5 * minuteMs)
    await markLive(db(), channelId, false, startMs + hourMs)
    await bringUpToDate(db(), channelId, startMs + hourMs)
    expect(await listBroadcasts(db(), channelId)).toMatchObject([
      { beganAt: new Date(startMs), endedAt: new Date(startMs + hourMs), begunBy: 'studio', endedBy: 'studio' },
    ])
  })

  whereHere('are reported of as the database would count', async () => {
    const channelId = await newChannel()
    await fillMixedHistory(handle(), { events: 3_000, channelId, days: 1 })
    await bringUpToDate(db(), channelId, Date.UTC(2026, 10, 25, 9))
    const [broadcast] = await listBroadcasts(db(), channelId)
    if (!broadcast) throw new Error('one broadcast')
    const channel = await new OnAirCache(db()).read(channelId)
    const report = await reportOf(db(), channelId, broadcast, channel, Date.UTC(2026, 10, 25, 9))
    const rows = (await db().select().from(event)).filter((row) => row.channelId === channelId && !row.isTest)
    expect(report.count).toBe(rows.length)
    const tips = rows.filter(({ kind }) => kind === 'tip')
    expect(report.kinds.find(({ kind }) => kind === 'tip')?.count).toBe(tips.length)
    const euros = tips.flatMap(({ data }) =>
      'amountMinor' in data && data.currency === 'EUR' ? [data.amountMinor] : [],
    )
    expect(report.minor).toBe(euros.reduce((sum, each) => sum + each, 0))
    expect(report.thanks.length).toBe(Math.min(300, tips.length))
  })
})
