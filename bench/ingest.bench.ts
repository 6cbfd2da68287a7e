// Durable deliveries per second, single and batched, beside bare inserts into the same embedded database.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { deliverNotices, followNotice } from '../test/arrange/cedar.ts'
import { TestServer } from '../test/arrange/server.ts'
import { report, type Measured } from './report.ts'

/** Runs work from several senders at once for some seconds. @returns how often it was done per second */
async function rate(seconds: number, senders: number, work: () => Promise<unknown>): Promise<number> {
  const startedMs = performance.now()
  let count = 0
  await Promise.all(
    Array.from({ length: senders }, async () => {
      while (performance.now() - startedMs < seconds * 1000) {
        await work()
        count += 1
      }
    }),
  )
  return (count * 1000) / (performance.now() - startedMs)
}

const measured: Measured[] = []
const add = (what: string, deliveries: number, each: number) =>
  measured.push({
    what,
    figures: { 'deliveries / s': deliveries.toFixed(0), 'events / s': (deliveries * each).toFixed(0) },
  })
const batch = (size: number) => Array.from({ length: size }, () => followNotice('pip_rye'))

const server = await TestServer.start()
const { demo } = server
await rate(1, 1, () => deliverNotices(demo, followNotice('warm-up')))
add('signed deliveries, one sender', await rate(5, 1, () => deliverNotices(demo, followNotice('pip_rye'))), 1)
add('signed deliveries, 32 senders', await rate(5, 32, () => deliverNotices(demo, followNotice('pip_rye'))), 1)
add('signed deliveries of 100 events, one sender', await rate(5, 1, () => deliverNotices(demo, ...batch(100))), 100)
await server.remove()

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-bench-'))
const database = await PGlite.create({ dataDir: join(folder, 'database') })
await database.exec(
  'create table event (seq bigserial primary key, id text not null unique, kind text not null, data jsonb not null, at timestamptz not null default now())',
)
let number = 0
const row = () => [`e-${number++}`, 'follow', JSON.stringify({ viewer: { id: 'v', name: 'pip_rye' } })]
add(
  'bare inserts of one row',
  await rate(5, 1, () => database.query('insert into event (id, kind, data) values ($1, $2, $3)', row())),
  1,
)
const hundred = Array.from(
  { length: 100 },
  (_, index) => `($${index * 3 + 1}, $${index * 3 + 2}, $${index * 3 + 3})`,
).join(',')
add(
  'bare inserts of 100 rows',
  await rate(5, 1, () =>
    database.query(`insert into event (id, kind, data) values ${hundred}`, Array.from({ length: 100 }, row).flat()),
  ),
  100,
)
await database.close()
rmSync(folder, { recursive: true, force: true })

report('ingest', measured, [
  'A delivery of ours also verifies a signature, decides for two boxes, and writes decisions, plays and the feed’s tally in the same transaction.',
])
process.exit(0)
