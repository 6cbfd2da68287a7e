import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { starterAlert } from '../../core/composition/starter.ts'
import { plainBox } from '../../core/composition/plainBox.ts'
import { migrate } from '../../server/db/migrate.ts'
import { listDecisions, listEvents } from '../../server/db/queries/events.ts'
import {
  claim,
  listOwners,
  release,
  removeNode,
  renew,
  type Claimed,
  type NodeMark,
} from '../../server/db/queries/nodes.ts'
import { recordPlays } from '../../server/db/queries/playRecords.ts'
import { findPlay, listEndedIds, listOpenPlays } from '../../server/db/queries/plays.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const document = JSON.stringify(plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })]))
const lanesOf = (claimed: readonly Claimed[]) => claimed.map(({ hold }) => hold.lane).sort()
const mark = (id: string): NodeMark => ({ id, machine: 'somewhere', process: id, seal: 'x' })

describe.each(databases)('$name', ({ isHere, open }) => {
  let opened: OpenDatabase
  const db = () => opened.handle.db

  beforeAll(async () => {
    if (!isHere) return
    opened = await open()
    // As the last server before outcomes left it.
    await migrate(
      opened.handle,
      readMigrations().filter(({ name }) => name < '0010'),
    )
    await opened.handle.execute(`
      insert into channel (id, name, locale, time_zone, currency) values ('c', 'c', 'en', 'UTC', 'EUR'), ('d', 'd', 'en', 'UTC', 'EUR');
      insert into person (id, email, name, password_hash) values ('p', 'p@x.example', 'p', 'x');
      insert into heartbeat (id, at) values ('server', '2026-11-01T10:00:00Z');
    `)
    for (const [id, channelId] of [
      ['b', 'c'],
      ['b2', 'c'],
      ['x', 'd'],
    ]) {
      await db().execute(
        sql`insert into box (id, channel_id, name, draft, source_token) values (${id}, ${channelId}, ${id}, ${document}::jsonb, ${id})`,
      )
      await db().execute(
        sql`insert into box_version (id, box_id, number, document, published_at, published_by) values (${`v-${id}`}, ${id}, 1, ${document}::jsonb, now(), 'p')`,
      )
    }
    const events = ['shown', 'skipped', 'open', 'nothing', 'broken']
    for (const id of events)
      await db().execute(
        sql`insert into event (id, channel_id, source, external_id, kind, data, occurred_at, received_at) values (${id}, 'c', 'feed:f', ${id}, 'follow', '{"viewer":null}'::jsonb, now(), now())`,
      )
    const play = (id: string, eventId: string, state: string, reason: string) =>
      db().execute(
        sql`insert into play (id, box_id, event_id, version_id, alert_id, variation_id, variation_name, state, reason, length_ms, is_test, shown_count, enqueued_at, ended_at)
          values (${id}, 'b', ${eventId}, 'v-b', 'follow', 'everyday', 'Everyday', ${state}, ${reason}, 5000, false, 1, now(), ${state === 'waiting' ? null : '2026-11-01T09:00:00Z'}::timestamptz)`,
      )
    await play('play-shown', 'shown', 'done', 'shown to its end')
    await play('play-again', 'shown', 'expired', 'no source was connected for 134 s')
    await play('play-skipped', 'skipped', 'skipped', 'skipped by tallowmoth')
    await play('play-open', 'open', 'waiting', '')
    const decided = (eventId: string, playId: string | null, reason: string) =>
      db().execute(
        sql`insert into decision (event_id, box_id, outcome, variation_name, play_id, reason) values (${eventId}, 'b', ${playId ? 'plays' : 'nothing'}, ${playId ? 'Everyday' : null}, ${playId}, ${reason})`,
      )
    for (const id of ['shown', 'skipped', 'open']) await decided(id, `play-${id}`, 'The everyday case.')
    await decided('nothing', null, 'The alert for this kind of event is switched off.')
    await decided('broken', null, 'The score of “Everyday” cannot be played: its anchors do not resolve (cycle).')
    await migrate(opened.handle, readMigrations())
  }, 60_000)
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  it.runIf(isHere)('keeps what was decided before, with one outcome for each event and box', async () => {
    const kept = await listEvents(db(), 'c', 0, 10)
    expect(
      kept.map(({ id, decisions }) => [
        id,
        ...decisions.map(({ outcome, reason, playId }) => [outcome, reason, playId]),
      ]),
    ).toEqual([
      ['shown', ['played', 'shown to its end', 'play-shown']],
      ['skipped', ['skipped', 'skipped by tallowmoth', 'play-skipped']],
      ['open', [null, '', 'play-open']],
      ['nothing', ['off', 'The alert for this kind of event is switched off.', null]],
      ['broken', ['failed', expect.stringContaining('cannot be played'), null]],
    ])
    expect(await findPlay(db(), 'play-again')).toMatchObject({ state: 'over', outcome: 'expired' })
    expect((await listOpenPlays(db(), 'b')).map(({ id }) => id)).toEqual(['play-open'])
    expect((await listEndedIds(db(), 'b', 10)).sort()).toEqual(['play-again', 'play-shown', 'play-skipped'])
    const unplayed = await listDecisions(db(), 'c', 'b', null, 10, true)
    expect(unplayed.map(({ event }) => event.id)).toEqual(['broken', 'nothing', 'skipped'])
  })

  it.runIf(isHere)(
    'gives lanes to one node at a time, those of a channel together, and free ones in shares',
    async () => {
      // Two that start together, before either has taken anything.
      await renew(db(), mark('one'), 60_000)
      const both = await renew(db(), mark('two'), 60_000)
      expect(both.nodes.map(({ id }) => id).sort()).toEqual(['one', 'two'])
      const [first, second] = [await claim(db(), 'one'), await claim(db(), 'two')]
      expect(lanesOf(first)).toEqual(['box:b', 'box:b2', 'channel:c'])
      expect(first.find(({ hold }) => hold.lane === 'box:b')?.leftAt?.toISOString()).toBe('2026-11-01T10:00:00.000Z')
      expect(lanesOf(second)).toEqual(['box:x', 'channel:d'])
      expect([await claim(db(), 'one'), await claim(db(), 'two')]).toEqual([[], []])
      expect([...(await listOwners(db()))].sort()).toEqual([
        ['box:b', 'one'],
        ['box:b2', 'one'],
        ['box:x', 'two'],
        ['channel:c', 'one'],
        ['channel:d', 'two'],
      ])
    },
  )

  it.runIf(isHere)(
    'takes over from a node whose lease has run out, that is known to be gone, or that lets go',
    async () => {
      expect(await claim(db(), 'two', ['one'])).toMatchObject([
        { hold: { epoch: 2 } },
        { hold: { epoch: 2 } },
        { hold: { epoch: 2 } },
      ])
      // The lease of the other runs out by the clock of the database.
      await renew(db(), mark('two'), 1)
      await renew(db(), mark('three'), 60_000)
      await new Promise((resolve) => setTimeout(resolve, 20))
      expect(await claim(db(), 'three', ['one'])).toHaveLength(5)
      await release(db(), 'three', null)
      await removeNode(db(), 'three')
      await renew(db(), mark('four'), 60_000)
      expect(await claim(db(), 'four', ['one'])).toHaveLength(5)
    },
  )

  it.runIf(isHere)('writes for the owner of a lane alone, and of two outcomes keeps the first', async () => {
    const { holds } = await renew(db(), mark('four'), 60_000)
    const hold = holds.find(({ lane }) => lane === 'box:b')!
    const ended = (outcome: 'played' | 'skipped', epoch: number) =>
      recordPlays(db(), [{ id: 'play-open', state: 'over', outcome, reason: outcome, outcomeAt: new Date() }], {
        lane: hold.lane,
        epoch,
      })
    expect(await ended('skipped', hold.epoch - 1)).toBe(false)
    expect((await findPlay(db(), 'play-open'))?.outcome).toBeNull()
    expect(await ended('played', hold.epoch)).toBe(true)
    expect(await ended('skipped', hold.epoch)).toBe(true)
    expect(await findPlay(db(), 'play-open')).toMatchObject({ state: 'over', outcome: 'played', reason: 'played' })
  })
})
