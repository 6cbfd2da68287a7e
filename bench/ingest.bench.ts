// Durable deliveries per second, single and batched, on both databases. Beside them, in the same run: a bare route of the same
// framework that verifies a signature and inserts one row, and bare inserts.
import { fork } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import pg from 'pg'
import { LightSender } from '../test/arrange/lightSender.ts'
import { hasPostgres, startPostgres } from '../test/arrange/postgres.ts'
import { TestServer, type DemoFile } from '../test/arrange/server.ts'
import { report, type Measured } from './report.ts'

const seconds = 6

/** Runs work again and again, several at once, for some seconds. @returns how often it was done per second */
async function rate(works: readonly (() => Promise<unknown>)[], forSeconds = seconds): Promise<number> {
  const startedMs = performance.now()
  let count = 0
  await Promise.all(
    works.map(async (work) => {
      while (performance.now() - startedMs < forSeconds * 1000) {
        await work()
        count += 1
      }
    }),
  )
  return (count * 1000) / (performance.now() - startedMs)
}

/** Deliveries of so many events each, by so many senders. @returns how many a second */
async function deliveries(demo: DemoFile, senders: number, size: number, forSeconds = seconds): Promise<number> {
  const all = Array.from({ length: senders }, () => new LightSender(demo))
  const found = await rate(
    all.map((sender) => async () => {
      const status = await sender.send(size)
      if (status !== 202) throw new Error(`A delivery was answered with ${status}`)
    }),
    forSeconds,
  )
  for (const sender of all) sender.close()
  return found
}

const measured: Measured[] = []
const add = (what: string, deliveries: number, each: number) =>
  measured.push({
    what,
    figures: { 'deliveries / s': deliveries.toFixed(0), 'events / s': (deliveries * each).toFixed(0) },
  })

/** The bare route, on a port of its own. */
async function bareRoute(demo: DemoFile, databaseUrl: string): Promise<{ demo: DemoFile; stop: () => void }> {
  const [feed] = demo.feeds.filter(({ platform }) => platform === 'cedar')
  const child = fork(fileURLToPath(new URL('./bareRoute.ts', import.meta.url)), [feed?.secret ?? '', databaseUrl], {
    execArgv: ['--import', 'tsx'],
  })
  const port = await new Promise<number>((resolve) => child.once('message', (message) => resolve(Number(message))))
  return { demo: { ...demo, url: `http://127.0.0.1:${port}` }, stop: () => child.kill() }
}

const row = () => [`e-${number++}`, 'follow', JSON.stringify({ viewer: { id: 'v', name: 'pip_rye' } })]
let number = 0
const table =
  'create table event (seq bigserial primary key, id text not null unique, kind text not null, data jsonb not null, at timestamptz not null default now())'
const hundred = Array.from(
  { length: 100 },
  (_, index) => `($${index * 3 + 1}, $${index * 3 + 2}, $${index * 3 + 3})`,
).join(',')

const many = (count: number, work: () => Promise<unknown>) => Array.from({ length: count }, () => work)

async function bareInserts(name: string, query: (text: string, values?: unknown[]) => Promise<unknown>, at: number) {
  await query(table)
  add(
    `${name}: bare inserts of one row`,
    await rate(
      many(at, () => query('insert into event (id, kind, data) values ($1, $2, $3)', row())),
      4,
    ),
    1,
  )
  const values = () => Array.from({ length: 100 }, row).flat()
  add(
    `${name}: bare inserts of 100 rows`,
    await rate(
      many(at, () => query(`insert into event (id, kind, data) values ${hundred}`, values())),
      4,
    ),
    100,
  )
}

for (const kind of ['embedded', 'PostgreSQL'] as const) {
  if (kind === 'PostgreSQL' && !hasPostgres) continue
  const postgres = kind === 'PostgreSQL' ? await startPostgres() : null
  const server = await TestServer.start({ THUNDERCREST_DEMO: '1', ...(postgres ? { DATABASE_URL: postgres.url } : {}) })
  const { demo } = server
  await deliveries(demo, 8, 1, 4)
  add(`${kind}: signed deliveries, one sender`, await deliveries(demo, 1, 1), 1)
  add(`${kind}: signed deliveries, 32 senders`, await deliveries(demo, 32, 1), 1)
  add(`${kind}: signed deliveries of 100 events, four senders`, await deliveries(demo, 4, 100), 100)
  await server.end('SIGKILL')
  const bare = await bareRoute(demo, postgres?.url ?? '')
  await deliveries(bare.demo, 8, 1, 3)
  add(`${kind}: a bare route, 32 senders`, await deliveries(bare.demo, 32, 1), 1)
  bare.stop()
  await server.remove()
  if (postgres) {
    const pool = new pg.Pool({ connectionString: `${postgres.url.replace(/postgres$/, 'template1')}`, max: 8 })
    pool.on('error', () => undefined)
    await bareInserts(kind, (text, values) => pool.query(text, values), 8)
    await pool.end()
    await postgres.stop()
  } else {
    const folder = mkdtempSync(join(tmpdir(), 'thundercrest-bench-'))
    const database = await PGlite.create({ dataDir: join(folder, 'database') })
    await bareInserts(kind, (text, values) => database.query(text, values), 1)
    await database.close()
    rmSync(folder, { recursive: true, force: true })
  }
}

report('ingest', measured, [
  'A delivery of ours also decides for two boxes, and writes effects, plays and the feed’s tally in the same transaction.',
  'The senders run on the same two processors, and sign; each keeps a connection of its own and costs 0.15 ms a delivery.',
])
process.exit(0)
