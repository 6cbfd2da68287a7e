// A backup of a channel with a million events and a gibibyte of media while it is asked all the time, and its restore into an empty
// database: how long, how much memory over idle, and how long whoever asks waits meanwhile. Beside it what is at hand without any of
// it: the database's own dump, and tar of the folder while nothing runs.
import { spawnSync } from 'node:child_process'
import { randomFillSync } from 'node:crypto'
import { createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { PGlite } from '@electric-sql/pglite'
import { sql } from 'drizzle-orm'
import { restoreArchive } from '../server/backup/restoreArchive.ts'
import { writeArchive } from '../server/backup/writeArchive.ts'
import { openEngine } from '../server/db/embedded/openEngine.ts'
import { migrate } from '../server/db/migrate.ts'
import { openEmbedded } from '../server/db/openEmbedded.ts'
import { addChannel } from '../server/db/queries/people.ts'
import { media } from '../server/db/schema.ts'
import { FolderStore } from '../server/media/folderStore.ts'
import { fillMixedHistory } from '../test/arrange/history.ts'
import { readMigrations } from '../server/operate/readMigrations.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const events = Number(process.env.EVENTS ?? 1_000_000)
const mediaMib = Number(process.env.MEDIA_MIB ?? 1_024)
const fileMib = 16
const channel = { id: 'channel', name: 'Lantern Loaf' }
const folder = mkdtempSync(join(tmpdir(), 'thundercrest-backup-bench-'))
const gib = (bytes: number) => `${(bytes / 1024 ** 3).toFixed(2)} GiB`
const mib = (bytes: number) => `${Math.round(bytes / 1024 ** 2)} MiB`
const seconds = (sinceMs: number) => `${((performance.now() - sinceMs) / 1000).toFixed(1)} s`
const measured: Measured[] = []

/** The most that this process holds while something is done, over what it holds before. */
async function overIdle<T>(work: () => Promise<T>): Promise<{ took: string; memory: string; value: T }> {
  global.gc?.()
  const idle = process.memoryUsage().rss
  let most = idle
  const timer = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50)
  const fromMs = performance.now()
  const value = await work()
  clearInterval(timer)
  return { took: seconds(fromMs), memory: mib(most - idle), value }
}

try {
  const database = await openEmbedded(join(folder, 'database'), null)
  await migrate(database, readMigrations())
  await addChannel(database.db, { ...channel, locale: 'en', timeZone: 'UTC', currency: 'EUR' })
  await fillMixedHistory(database, { events, channelId: channel.id })
  const store = new FolderStore(join(folder, 'media'))
  for (let at = 0; at < mediaMib / fileMib; at++) {
    const bytes = randomFillSync(Buffer.alloc(fileMib * 1024 ** 2))
    await database.db.insert(media).values({
      ...{ channelId: channel.id, id: await store.put(bytes), name: `${at}.webm`, kind: 'picture', mime: 'video/webm' },
      ...{ licence: 'own', sizeBytes: bytes.length },
    })
  }
  await database.execute('vacuum analyze')

  /** Somebody who asks a hundred times a second, as events that come in do. */
  const waits: number[] = []
  let isAsking = true
  const asking = (async () => {
    while (isAsking) {
      const fromMs = performance.now()
      await database.db.execute(sql`select seq from event where channel_id = 'channel' order by seq desc limit 1`)
      waits.push(performance.now() - fromMs)
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
  })()
  await new Promise((resolve) => setTimeout(resolve, 5_000))
  const quiet = percentile(waits.splice(0), 0.95)
  const path = join(folder, 'backup.tar')
  const taken = await overIdle(() =>
    pipeline(
      writeArchive({ db: database.db, media: store, channel, hasMedia: true, madeAt: new Date() }),
      createWriteStream(path),
    ),
  )
  isAsking = false
  await asking
  measured.push({
    what: 'backup, live',
    figures: {
      ...{ took: taken.took, 'memory over idle': taken.memory, size: gib(statSync(path).size) },
      'a question waits, p95': `${ms(percentile(waits, 0.95))} (${ms(quiet)} without)`,
      longest: ms(Math.max(...waits)),
    },
  })
  await database.close()

  const tarPath = join(folder, 'folder.tar')
  const tarFromMs = performance.now()
  spawnSync('tar', ['cf', tarPath, '-C', folder, 'database', 'media'])
  measured.push({
    what: 'peer: tar of the folder, nothing runs',
    figures: { took: seconds(tarFromMs), size: gib(statSync(tarPath).size), 'a question waits, p95': 'all the time' },
  })
  rmSync(tarPath)
  const engine: PGlite = await openEngine(join(folder, 'database'))
  const dumped = await overIdle(() => engine.dumpDataDir('none'))
  measured.push({
    what: 'peer: the database’s own dump, without media',
    figures: {
      took: dumped.took,
      'memory over idle': dumped.memory,
      size: gib(dumped.value.size),
      'a question waits, p95': 'all the time',
    },
  })
  await engine.close()

  const empty = await openEmbedded(join(folder, 'restored'), null)
  const restored = await overIdle(() =>
    restoreArchive(path, {
      ...{ database: empty, media: new FolderStore(join(folder, 'restored-media')), migrations: readMigrations() },
      spool: join(folder, 'spool'),
    }),
  )
  measured.push({
    what: 'restore',
    figures: { took: restored.took, 'memory over idle': restored.memory, size: `${restored.value.rows} rows` },
  })
  await empty.close()
  report('backup', measured, [
    `${events} events, ${mediaMib} MiB of media in ${mediaMib / fileMib} files; embedded database.`,
  ])
} finally {
  rmSync(folder, { recursive: true, force: true })
}
