import {
  createWriteStream,
  existsSync,
  mkdtempSync,
  rmSync,
  truncateSync,
  statSync,
  readFileSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { getTableName, sql } from 'drizzle-orm'
import { PgTable } from 'drizzle-orm/pg-core'
import { extract, pack } from 'tar-stream'
import { afterAll, describe, expect, it } from 'vitest'
import * as broadcasts from '../../server/db/broadcastSchema.ts'
import * as goals from '../../server/db/goalSchema.ts'
import * as live from '../../server/db/liveSchema.ts'
import * as people from '../../server/db/peopleSchema.ts'
import * as base from '../../server/db/schema.ts'
import * as sponsors from '../../server/db/sponsorSchema.ts'
import * as tips from '../../server/db/tipSchema.ts'
import * as triggers from '../../server/db/triggerSchema.ts'
import { demoBoards } from '../../demo/boards.ts'
import { keptTables } from '../../server/db/keptTables.ts'
import { Nightly, listNights, nightsFolder } from '../../server/backup/nightly.ts'
import { BackupFault } from '../../server/backup/readArchive.ts'
import { restoreArchive } from '../../server/backup/restoreArchive.ts'
import { writeArchive } from '../../server/backup/writeArchive.ts'
import type { Database, DatabaseHandle } from '../../server/db/handle.ts'
import { migrate } from '../../server/db/migrate.ts'
import { addBox, publishVersion } from '../../server/db/queries/boxes.ts'
import { addFeed } from '../../server/db/queries/feeds.ts'
import { bringBack } from '../../server/db/queries/history.ts'
import { addChannel, addMember, addPerson } from '../../server/db/queries/people.ts'
import { addDeed } from '../../server/db/queries/trail.ts'
import { rowsOf } from '../../server/db/rowsOf.ts'
import { FolderStore } from '../../server/media/folderStore.ts'
import { openEmbedded } from '../../server/db/openEmbedded.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-backup-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const at = new Date('2026-11-24T20:00:00.123Z')
const store = (name: string) => new FolderStore(join(folder, name))
let made = 0
const fresh = (kind: string) => join(folder, `${kind}-${made++}`)

/** A channel with something in each corner: a box on air, a feed, a file, what happened, who did what. */
async function furnish(db: Database, id: string, events: number): Promise<void> {
  const picture = await store(`media of ${id}`).put(Buffer.from(`the picture of ${id}`))
  await addChannel(db, { id, name: `Lantern Loaf ${id}`, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR' })
  const person = `person-${id}`
  await addPerson(db, { id: person, email: `${id}@lantern.example`, name: 'Odalys', passwordHash: 'scrypt$secret' })
  await addMember(db, id, person, 'owner')
  await db.insert(base.media).values({
    ...{ channelId: id, id: picture, name: 'loaf.png', kind: 'picture' as const, mime: 'image/png' },
    ...{ licence: 'own', sizeBytes: 20, addedAt: at },
  })
  const [board] = demoBoards()
  if (!board) throw new Error('The demo has no board.')
  const box = `box-${id}`
  await addBox(db, {
    id: box,
    channelId: id,
    name: 'Counter',
    draft: board.document,
    isBoard: true,
    sourceToken: `t-${id}`,
  })
  await publishVersion(db, {
    id: `v-${id}`,
    boxId: box,
    document: board.document,
    publishedAt: at,
    publishedBy: person,
  })
  await addFeed(db, {
    id: `feed-${id}`,
    channelId: id,
    platform: 'alder',
    name: 'Alder',
    account: 'loaf',
    secret: 'whsec_x',
  })
  await addDeed(db, { channelId: id, at, byName: 'Odalys', did: 'putOnAir', about: 'Counter' })
  const rows = Array.from({ length: events }, (_, index) => ({
    ...{ id: `event-${id}-${index}`, channelId: id, source: `feed:feed-${id}`, externalId: `e${index}`, isTest: false },
    ...{ kind: 'tip' as const, occurredAt: at, receivedAt: new Date(at.getTime() + index) },
    data: {
      viewer: { id: 'pip', name: 'pip_rye “ü”' },
      amountMinor: 500,
      currency: 'EUR',
      message: { text: 'Warm loaf\n🍞' },
    },
  }))
  for (let from = 0; from < rows.length; from += 500) await bringBack(db, rows.slice(from, from + 500))
  await db.insert(live.effect).values({
    ...{ id: `play-${id}`, eventId: `event-${id}-0`, eventSeq: 1, channelId: id, lane: `alerts:${box}` as never },
    ...{ kind: 'alert' as const, decided: 'because', outcome: null },
  })
  await db.insert(live.play).values({
    ...{ id: `play-${id}`, boxId: box, eventId: `event-${id}-0`, versionId: `v-${id}`, alertId: 'a', variationId: 'v' },
    ...{ variationName: 'Any', state: 'waiting' as const, lengthMs: 4_000, isTest: false, enqueuedAt: at },
  })
}

async function take(db: Database, id: string | null, path: string): Promise<string> {
  const channel = id === null ? null : { id, name: `Lantern Loaf ${id}` }
  const media = store(`media of ${id}`)
  await pipeline(writeArchive({ db, media, channel, hasMedia: id !== null, madeAt: at }), createWriteStream(path))
  return path
}

/** An empty database beside, with what is put into it. */
async function empty(): Promise<{
  database: DatabaseHandle
  into: (media?: string) => Parameters<typeof restoreArchive>[1]
}> {
  const database = await openEmbedded(fresh('database'), null)
  return {
    database,
    into: (media = fresh('media')) => ({
      ...{ database, migrations: readMigrations(), media: new FolderStore(media), spool: fresh('spool') },
    }),
  }
}

/** The entries of a tar by name, without those that say when it was taken. */
async function entriesOf(path: string): Promise<Map<string, string>> {
  const found = new Map<string, string>()
  const tar = extract()
  Readable.from([readFileSync(path)]).pipe(tar as unknown as NodeJS.WritableStream)
  for await (const entry of tar as unknown as AsyncIterable<Readable & { header: { name: string } }>) {
    const chunks: Buffer[] = []
    for await (const chunk of entry) chunks.push(chunk as Buffer)
    found.set(entry.header.name, Buffer.concat(chunks).toString())
  }
  return found
}

/** A tar of these. */
async function packed(entries: Iterable<readonly [string, string]>): Promise<string> {
  const tar = pack()
  const path = fresh('tar')
  const written = pipeline(tar as unknown as Readable, createWriteStream(path))
  for (const [name, text] of entries) tar.entry({ name }, text)
  tar.finalize()
  await written
  return path
}

describe('what a backup keeps', () => {
  it('is every table, but those of which it is said why not', () => {
    const tables = [broadcasts, goals, live, people, base, sponsors, tips, triggers]
      .flatMap((room) => Object.values(room) as unknown[])
      .filter((each): each is PgTable => each instanceof PgTable)
      .map((table) => getTableName(table))
    const kept = new Set(keptTables.map(({ name }) => name))
    expect([...new Set(tables)].filter((name) => !kept.has(name)).sort()).toEqual([
      // What lasts a day, or as long as a server runs.
      ...[
        'click_mark',
        'click_salt',
        'heartbeat',
        'intake',
        'linking',
        'node',
        'password_link',
        'session',
        'sign_in_try',
      ],
    ])
  })
})

onEachDatabase('a backup', ({ db: source, whereHere }) => {
  whereHere('is the same again after it was restored, and takes only its own channel', async () => {
    const db = source()
    const id = `loaf-${made++}`
    const other = `street-${made++}`
    await furnish(db, id, 2_300)
    await furnish(db, other, 3)
    const first = await take(db, id, fresh('tar'))
    const { database, into } = await empty()
    const media = fresh('media')
    try {
      const restored = await restoreArchive(first, into(media))
      expect(restored).toMatchObject({ media: 1, leftOut: 0, about: { channel: { id } } })
      expect(rowsOf(await database.db.execute(sql`select id from channel`))).toEqual([{ id }])
      // Nothing of an evening long ago begins by itself, and nobody is let in without a new password.
      const [ended] = await database.db.select().from(live.effect)
      expect(ended?.outcome).toBe('expired')
      expect(await database.db.select({ hash: base.person.passwordHash }).from(base.person)).toEqual([{ hash: '' }])
      // What counts up goes on behind what is there.
      const [{ last } = { last: 0 }] = rowsOf<{ last: number }>(
        await database.db.execute(sql`select max(seq)::int as last from event`),
      )
      await bringBack(database.db, [
        {
          ...{
            id: 'next',
            channelId: id,
            source: 's',
            externalId: 'next',
            kind: 'follow' as const,
            data: { viewer: null },
          },
          ...{ occurredAt: at, receivedAt: at },
        },
      ])
      const [next] = await database.db
        .select()
        .from(live.event)
        .where(sql`id = 'next'`)
      expect(next?.seq).toBeGreaterThan(last)
      await database.db.execute(sql`delete from event where id = 'next'`)

      const again = fresh('tar')
      const channel = { id, name: `Lantern Loaf ${id}` }
      const kept = new FolderStore(media)
      await pipeline(
        writeArchive({ db: database.db, media: kept, channel, hasMedia: true, madeAt: at }),
        createWriteStream(again),
      )
      const [before, after] = [await entriesOf(first), await entriesOf(again)]
      // What waited then is over now, and that is all.
      const isSettled = (name: string) => /^tables\/(?:effect|play)\.|^end\.json$/.test(name)
      expect([...after.keys()]).toEqual([...before.keys()])
      for (const [name, text] of before) if (!isSettled(name)) expect(after.get(name), name).toBe(text)
      expect([...before.keys()].filter((name) => name.startsWith('history/')).length).toBeGreaterThan(0)
      expect([...before.values()].join('\n')).not.toContain(other)
      await expect(restoreArchive(first, into())).rejects.toThrow('This server is not empty')
    } finally {
      await database.close()
    }
  })
})

describe('a backup that cannot be used', () => {
  it('is refused with what is wrong, and leaves nothing behind', async () => {
    const { database, into } = await empty()
    const from = await openEmbedded(fresh('database'), null)
    await migrate(from, readMigrations())
    await furnish(from.db, 'bad', 40)
    const whole = await take(from.db, 'bad', fresh('tar'))
    const bytes = readFileSync(whole)
    const refused = async (path: string, words: string) => {
      const given = into()
      await expect(restoreArchive(path, given)).rejects.toThrow(words)
      await expect(restoreArchive(path, given)).rejects.toBeInstanceOf(BackupFault)
      expect(existsSync(given.spool)).toBe(false)
    }
    try {
      // Cut off anywhere: in the middle of something, between two things, before its end was written.
      for (const share of [0.3, 0.6, 0.95]) {
        const cut = fresh('tar')
        writeFileSync(cut, bytes)
        truncateSync(cut, Math.floor(statSync(cut).size * share))
        await refused(cut, 'ends early')
      }
      const entries = await entriesOf(whole)
      await refused(await packed([...entries].filter(([name]) => name !== 'end.json')), 'ends early')
      await refused(await packed([...entries].filter(([name]) => !name.startsWith('media/'))), 'ends early')
      const changed = [...entries].map(
        ([name, text]) => [name, name.includes('channel.1') ? text.replace('EUR', 'USD') : text] as const,
      )
      await refused(await packed(changed), 'was damaged')
      const manifest = JSON.parse(entries.get('thundercrest.json') ?? '') as object
      const asIs = [...entries].slice(1)
      const headed = (more: object) =>
        packed([['thundercrest.json', JSON.stringify({ ...manifest, ...more })], ...asIs])
      await refused(await headed({ version: 2 }), 'newer Thundercrest')
      await refused(await headed({ form: 'something.else' }), 'no backup of Thundercrest')
      await refused(await packed([['../../etc/passwd', 'x']]), 'no backup of Thundercrest')
      await refused(
        await packed([
          ['thundercrest.json', JSON.stringify(manifest)],
          ['../x', 'x'],
        ]),
        'does not belong there',
      )
      const text = fresh('text')
      writeFileSync(text, 'a'.repeat(5_000))
      await refused(text, 'no backup of Thundercrest')
      // Of a schema that is to come, whole as it is.
      const { createHash } = await import('node:crypto')
      const next = JSON.stringify({ ...manifest, schema: '9999_to_come' })
      const end = JSON.parse(entries.get('end.json') ?? '') as { entries: { name: string; sha256: string }[] }
      for (const entry of end.entries)
        if (entry.name === 'thundercrest.json') entry.sha256 = createHash('sha256').update(next).digest('hex')
      const toCome = asIs.map(([name, of]) => [name, name === 'end.json' ? JSON.stringify(end) : of] as const)
      await refused(await packed([['thundercrest.json', next], ...toCome]), 'newer Thundercrest')
      // After all of that it is still empty, and takes a whole one.
      await expect(restoreArchive(whole, into())).resolves.toMatchObject({ media: 1 })
    } finally {
      await database.close()
      await from.close()
    }
  })
})

describe('backups by night', () => {
  it('are taken once a day, seven are kept, and one puts everything back, passwords included', async () => {
    const dataFolder = fresh('data')
    const database = await openEmbedded(join(dataFolder, 'database'), null)
    await migrate(database, readMigrations())
    await furnish(database.db, 'night', 10)
    const errors: unknown[] = []
    let isQuiet = true
    const nightly = new Nightly({
      ...{ database, media: store('media of night'), dataFolder, isQuiet: () => isQuiet },
      onError: (error) => errors.push(error),
    })
    const dayMs = 86_400_000
    const folderOf = nightsFolder(dataFolder)
    try {
      const { utimesSync } = await import('node:fs')
      for (let day = 0; day < 9; day++) {
        const now = Date.UTC(2026, 10, 1 + day, 4)
        expect(await nightly.look(now)).toBe(true)
        const [newest] = (await listNights(folderOf)).filter(({ path }) => path.includes(`2026-11-0${1 + day}`))
        if (newest) utimesSync(newest.path, new Date(now), new Date(now))
        expect(await nightly.look(now + 3_600_000)).toBe(false)
      }
      const nights = await listNights(folderOf)
      expect(nights).toHaveLength(7)
      // Something is on air: it waits, but not for ever.
      isQuiet = false
      const last = nights[0]?.atMs ?? 0
      expect([await nightly.look(last + dayMs), await nightly.look(last + 31 * 3_600_000)]).toEqual([false, true])
      expect(errors).toEqual([])
      const beside = await empty()
      const restored = await restoreArchive(nights[0]?.path ?? '', beside.into())
      expect(restored.about).toMatchObject({ channel: null, hasMedia: false })
      expect(await beside.database.db.select({ hash: base.person.passwordHash }).from(base.person)).toEqual([
        { hash: 'scrypt$secret' },
      ])
      await beside.database.close()
    } finally {
      nightly.close()
      await database.close()
    }
  })
})
