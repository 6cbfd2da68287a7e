import { sql } from 'drizzle-orm'
import { expect } from 'vitest'
import type { Database } from '../../server/db/handle.ts'
import { deskAct, effect, event, play } from '../../server/db/liveSchema.ts'
import { setKeeping } from '../../server/db/queries/channels.ts'
import { bringBack } from '../../server/db/queries/history.ts'
import {
  countOldEvents,
  historyTaken,
  listUnusedMedia,
  mediaTaken,
  removeMedia,
} from '../../server/db/queries/keeping.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { addDeed, listDoers, listTrail } from '../../server/db/queries/trail.ts'
import { rowsOf } from '../../server/db/rowsOf.ts'
import { media } from '../../server/db/schema.ts'
import { balance, pointsEntry, run } from '../../server/db/triggerSchema.ts'
import { forgetEverywhere } from '../../server/keeping/forgetViewer.ts'
import { Keeper } from '../../server/keeping/keeper.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const dayMs = 86_400_000
const now = Date.UTC(2026, 10, 24, 12)
const daysAgo = (days: number) => new Date(now - days * dayMs)
const channelOf = async (db: Database, id: string) => {
  await addChannel(db, { id, name: id, locale: 'en', timeZone: 'UTC', currency: 'EUR' })
  return id
}
const tipOf = (channelId: string, id: string, at: Date, viewer: { id: string; name: string }) => ({
  ...{ id: `${channelId}-${id}`, channelId, source: 'feed:alder', externalId: id, kind: 'tip' as const },
  data: { viewer, amountMinor: 500, currency: 'EUR', message: { text: `from ${viewer.name}` } },
  ...{ occurredAt: at, receivedAt: at },
})
const pip = { id: 'al-pip', name: 'pip_rye' }
const maud = { id: 'al-maud', name: 'Maud' }

onEachDatabase('what is kept', ({ db: at, whereHere }) => {
  whereHere('is kept for as long as the channel says, and what is not done with stays', async () => {
    const db = at()
    const id = await channelOf(db, 'keeps')
    const other = await channelOf(db, 'keeps-all')
    for (const channelId of [id, other])
      await bringBack(db, [
        ...[400, 100, 40, 10].map((days) => tipOf(channelId, `d${days}`, daysAgo(days), pip)),
        tipOf(channelId, 'open', daysAgo(200), maud),
      ])
    // Of one of them something still waits.
    await db.insert(effect).values({
      ...{ id: 'waits', eventId: `${id}-open`, channelId: id, lane: 'alerts:b' as never, kind: 'alert' as const },
      ...{ decided: 'x', outcome: null },
    })
    expect(await countOldEvents(db, id, daysAgo(90))).toBe(2)
    await setKeeping(db, id, { historyDays: 90, versionDays: null })
    const errors: unknown[] = []
    let isQuiet = false
    const keeper = new Keeper(
      db,
      () => isQuiet,
      (error) => errors.push(error),
    )
    await keeper.look(now)
    expect((await historyTaken(db, id)).count).toBe(5)
    isQuiet = true
    await keeper.look(now)
    keeper.close()
    const left = await db
      .select({ of: event.externalId })
      .from(event)
      .where(sql`channel_id = ${id}`)
      .orderBy(event.seq)
    expect([left.map(({ of }) => of), errors]).toEqual([['d40', 'd10', 'open'], []])
    expect((await historyTaken(db, other)).count).toBe(5)
  })

  whereHere('of a viewer who is forgotten is what they gave, and nothing of who they were', async () => {
    const db = at()
    const id = await channelOf(db, 'forgets')
    await bringBack(db, [
      tipOf(id, '1', daysAgo(2), pip),
      tipOf(id, '2', daysAgo(1), pip),
      tipOf(id, '3', daysAgo(1), maud),
    ])
    const speech = { sayings: [], state: 'ready' as const, note: 'pip_rye said' }
    await db.insert(play).values({
      ...{ id: 'spoken', boxId: 'b', eventId: `${id}-1`, versionId: 'v', alertId: 'a', variationId: 'x', speech },
      ...{ variationName: 'Any', state: 'over' as const, lengthMs: 1, isTest: false, enqueuedAt: daysAgo(2) },
    })
    const viewerId = 'feed:alder/al-pip'
    await db.insert(balance).values({ channelId: id, viewerId, name: pip.name, points: 70 })
    await db
      .insert(pointsEntry)
      .values({ channelId: id, viewerId, change: 70, why: 'x', reference: 'r', at: daysAgo(1) })
    await db.insert(run).values({
      ...{
        id: 'run-of-pip',
        channelId: id,
        triggerId: 't',
        triggerName: 'Flour',
        eventId: `${id}-1`,
        by: 'command' as const,
      },
      ...{ viewerId, viewerName: pip.name, input: 'pip_rye was here', isPaid: false, progress: 'over' as const },
      event: {
        kind: 'chatCommand',
        externalId: 'x',
        source: 'feed:alder',
        occurredAtMs: 1,
        data: { viewer: pip, command: 'flour' },
      } as never,
      askedAt: daysAgo(1),
    })
    let cleared = 0
    const recordings = { clear: async () => (cleared += 1) }
    const done = await forgetEverywhere(db, recordings, id, { source: 'feed:alder', viewer: pip.id })
    expect([done.events, cleared]).toEqual([2, 1])
    for (const table of ['event', 'play', 'run', 'balance', 'points_entry', 'effect']) {
      const rows = await db.execute(sql`select to_jsonb(of)::text as line from ${sql.identifier(table)} of`)
      const all = rowsOf<{ line: string }>(rows)
        .map(({ line }) => line)
        .join('\n')
      expect([table, /pip_rye|al-pip/.test(all)]).toEqual([table, table === 'event' && all.includes('"keeps')])
    }
    const sums = await db.execute(
      sql`select data -> 'viewer' ->> 'name' as name, sum((data ->> 'amountMinor')::int)::int as sum from event where channel_id = ${id} group by 1 order by 1`,
    )
    expect(rowsOf(sums)).toEqual([
      { name: 'Maud', sum: 500 },
      { name: 'somebody', sum: 1000 },
    ])
    const [points] = await db
      .select()
      .from(balance)
      .where(sql`channel_id = ${id}`)
    expect([points?.points, points?.name]).toEqual([70, 'somebody'])
    // Nobody was read aloud of whom nothing was.
    await forgetEverywhere(db, recordings, id, { source: 'feed:alder', viewer: maud.id })
    expect(cleared).toBe(1)
  })

  whereHere('of files that nothing uses can go, and a file that another channel has stays', async () => {
    const db = at()
    const [one, other] = [await channelOf(db, 'files'), await channelOf(db, 'files-too')]
    const file = (channelId: string, id: string, more: object) =>
      db.insert(media).values({
        ...{
          channelId,
          id,
          name: `${id}.png`,
          kind: 'picture' as const,
          mime: 'image/png',
          licence: 'own',
          sizeBytes: 100,
        },
        ...more,
      })
    await file(one, 'shared', { deletedAt: daysAgo(1) })
    await file(one, 'own', { deletedAt: daysAgo(1), posterId: 'poster' })
    await file(one, 'listed', {})
    await file(other, 'shared', {})
    expect((await mediaTaken(db, one)).bytes).toBe(300)
    const unused = await listUnusedMedia(db, one)
    expect(unused.map(({ id }) => id).sort()).toEqual(['own', 'shared'])
    expect(
      (
        await removeMedia(
          db,
          one,
          unused.map(({ id }) => id),
        )
      ).sort(),
    ).toEqual(['own', 'poster'])
    expect((await mediaTaken(db, one)).count).toBe(1)
    // What is in the library goes by no mistake of whoever asks.
    expect(await removeMedia(db, one, ['listed'])).toEqual([])
  })
})

onEachDatabase('the trail', ({ db: at, whereHere }) => {
  whereHere('tells who did what, from newest to oldest, each once, however it is cut into pages', async () => {
    const db = at()
    const id = await channelOf(db, 'trailed')
    const moment = daysAgo(3)
    for (let number = 0; number < 7; number++)
      await addDeed(db, {
        channelId: id,
        at: moment,
        byName: number % 2 ? 'Odalys' : 'Wick',
        did: 'putOnAir',
        about: `Box ${number}`,
      })
    for (let number = 0; number < 5; number++)
      await db.insert(deskAct).values({ channelId: id, at: moment, byName: 'Wick', did: 'held' })
    const seen: string[] = []
    for (let behind: string | null = null; ;) {
      const rows = await listTrail(db, id, {}, behind, 5)
      seen.push(...rows.map(({ place }) => place))
      behind = rows.at(-1)?.place ?? null
      if (rows.length < 5) break
    }
    expect([seen.length, new Set(seen).size]).toEqual([12, 12])
    const ofOdalys = await listTrail(db, id, { by: 'Odalys', did: ['putOnAir'] }, null, 50)
    expect(ofOdalys.map(({ about }) => about)).toEqual(['Box 5', 'Box 3', 'Box 1'])
    expect(await listTrail(db, id, { untilMs: moment.getTime() }, null, 50)).toEqual([])
    expect(await listDoers(db, id)).toEqual(['Odalys', 'Wick'])
    // What is no place begins at the newest, and asks for nothing else.
    expect(await listTrail(db, id, {}, "1'; drop table trail; --", 50)).toHaveLength(12)
  })

  whereHere('takes whoever works on something for a while for one deed', async () => {
    const db = at()
    const id = await channelOf(db, 'worked')
    const deed = { channelId: id, byName: 'Odalys', did: 'changedTriggers' as const, about: 'Flour cloud' }
    for (const minute of [0, 1, 8, 30]) await addDeed(db, { ...deed, at: new Date(now + minute * 60_000) })
    await addDeed(db, { ...deed, at: new Date(now + 31 * 60_000), about: 'Bell' })
    expect((await listTrail(db, id, {}, null, 50)).map(({ about }) => about)).toEqual([
      'Bell',
      'Flour cloud',
      'Flour cloud',
    ])
  })
})
