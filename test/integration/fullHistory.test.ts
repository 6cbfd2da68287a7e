import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { starterAlert } from '../../core/composition/starter.ts'
import { plainBox } from '../../core/composition/plainBox.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { migrate } from '../../server/db/migrate.ts'
import { addBox, publishVersion } from '../../server/db/queries/boxes.ts'
import { listDecisions, listEvents } from '../../server/db/queries/events.ts'
import { addFeed } from '../../server/db/queries/feeds.ts'
import { addChannel, addPerson } from '../../server/db/queries/people.ts'
import { recordPlays } from '../../server/db/queries/playRecords.ts'
import { listEndedIds, listOpenPlays, listPlays } from '../../server/db/queries/plays.ts'
import { listReadings, listWorded } from '../../server/db/queries/readings.ts'
import { previousTimes } from '../../server/db/queries/viewerHistory.ts'
import { decideEvents, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { fillHistory } from '../arrange/history.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const draft = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
const events = 60_000
const waiting = 3_000

/** Rows read by going over whole tables, and rows fetched by indexes, of the tables that grow. */
type Read = Record<string, { whole: number; byIndex: number }>

describe.each(databases)('$name with a long history and a full line', ({ isHere, open }) => {
  let opened: OpenDatabase
  const db = () => opened.handle.db
  let playIds: string[] = []

  beforeAll(async () => {
    if (!isHere) return
    // One connection: what each has read it tells when it likes.
    opened = await open(1)
    await migrate(opened.handle, readMigrations())
    await addChannel(db(), { id: 'channel-1', name: 'Lantern Loaf', locale: 'en', timeZone: 'UTC', currency: 'EUR' })
    await addPerson(db(), { id: 'person-1', email: 'odalys@x.example', name: 'Odalys Fenn', passwordHash: 'x' })
    await addFeed(db(), { id: 'feed-1', channelId: 'channel-1', platform: 'cedar', name: 'Cedar', secret: 'whsec_x' })
    await addBox(db(), { id: 'box-1', channelId: 'channel-1', name: 'Night counter', draft, sourceToken: 'src1' })
    await publishVersion(db(), {
      id: 'version-1',
      boxId: 'box-1',
      document: draft,
      publishedAt: new Date(),
      publishedBy: 'person-1',
    })
    // As it comes about in life: small when the first plans were made, and then it grew.
    await keep(0, 5)
    await opened.handle.execute('analyze event; analyze effect; analyze play')
    await keep(100, 5)
    playIds = await fillHistory(opened.handle, { events, waiting, boxId: 'box-1', versionId: 'version-1' })
  }, 120_000)
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  async function keep(from: number, count: number) {
    const onAir = await new OnAirCache(db()).read('channel-1')
    const incoming = Array.from({ length: count }, (_, index): IncomingEvent => ({
      ...sampleEvent('follow', 'everyday'),
      externalId: `new-${from + index}`,
      source: 'feed:feed-1',
      occurredAtMs: Date.now(),
      isTest: false,
    }))
    const feed = { id: 'feed-1', rejected: 0 }
    const asked = { channelId: 'channel-1', onAir, incoming, onlyBoxId: null, feed, previous: [], pretended: null }
    return keepDecided(db(), [decideEvents({ ...asked, nowMs: Date.now() })], true)
  }

  async function readSoFar(): Promise<Read> {
    await db().execute(sql`select pg_stat_force_next_flush()`)
    const answer = await db().execute(
      sql`select relname, seq_tup_read::integer as whole, coalesce(idx_tup_fetch, 0)::integer as "byIndex" from pg_stat_user_tables where relname in ('event', 'play', 'effect')`,
    )
    const { rows } = answer as unknown as { rows: { relname: string; whole: number; byIndex: number }[] }
    return Object.fromEntries(rows.map(({ relname, ...read }) => [relname, read]))
  }

  const hot: [string, number, () => Promise<unknown>][] = [
    ['keeping a delivery of five', 200, () => keep(200, 5)],
    [
      'recording what became of forty plays',
      400,
      () =>
        recordPlays(
          db(),
          playIds.slice(0, 40).map((id) => ({ id, state: 'preparing' })),
          { lane: 'box:box-1', epoch: 0 },
        ),
    ],
    ['the line of the desk', 300, () => listPlays(db(), playIds.slice(0, 60))],
    ['the log of the desk', 1000, () => listEndedIds(db(), 'box-1', 60)],
    ['the open plays of a box', waiting * 2, () => listOpenPlays(db(), 'box-1')],
    [
      'when a viewer was here last',
      400,
      () =>
        previousTimes(db(), 'channel-1', [
          { source: 'feed:feed-1', kind: 'follow', viewerId: 'v7', externalId: 'x', occurredAtMs: Date.now() },
        ]),
    ],
    ['a page of events', 1200, () => listEvents(db(), 'channel-1', events / 2, 100)],
    ['the newest decisions', 1000, () => listDecisions(db(), 'channel-1', 'box-1', null, 60)],
    ['what was read aloud lately', 4000, () => listReadings(db(), 'channel-1', new Date(Date.now() - 3_600_000), 2000)],
    ['what viewers wrote last', 50_000, () => listWorded(db(), 'channel-1', 50)],
  ]

  const written = new Set(hot.slice(0, 2).map(([what]) => what))

  it.runIf(isHere).each(hot)(
    '%s reads only what it needs',
    async (what, atMost, act) => {
      // What is written must not depend on how well the tables are known; for the rest they are counted from time to time.
      if (!written.has(what)) await opened.handle.execute('analyze event; analyze effect; analyze play')
      // Kept plans are made after some runs: it is looked at after those.
      for (let run = 0; run < 7; run++) await act()
      const before = await readSoFar()
      await act()
      const after = await readSoFar()
      for (const table of Object.keys(after)) {
        const whole = (after[table]?.whole ?? 0) - (before[table]?.whole ?? 0)
        const byIndex = (after[table]?.byIndex ?? 0) - (before[table]?.byIndex ?? 0)
        expect(whole, `${table}, read as a whole`).toBeLessThan(1000)
        expect(byIndex, `${table}, fetched`).toBeLessThan(atMost)
      }
    },
    60_000,
  )
})
