// The peer of the ingest benchmark: a route of the same framework that verifies the signature and inserts one row, and nothing else.
import { mkdtempSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { createApp, defineEventHandler, getHeader, readRawBody, setResponseStatus, toNodeListener } from 'h3'
import pg from 'pg'
import { Webhook } from 'standardwebhooks'

const [secret = '', databaseUrl = ''] = process.argv.slice(2)
const pool = databaseUrl === '' ? null : new pg.Pool({ connectionString: databaseUrl, max: 8 })
// The server goes before this does.
pool?.on('error', () => undefined)
const engine =
  pool === null
    ? await PGlite.create({ dataDir: join(mkdtempSync(join(tmpdir(), 'thundercrest-bare-')), 'database') })
    : null
const ask = (text: string, values: unknown[] = []): Promise<unknown> =>
  engine ? engine.query(text, values) : (pool?.query(text, values) ?? Promise.resolve())
await ask(
  'create table bare_event (seq bigserial primary key, id text not null unique, kind text not null, data jsonb not null, at timestamptz not null default now())',
)
const webhook = new Webhook(secret)
const app = createApp()
app.use(
  '/',
  defineEventHandler(async (event) => {
    const raw = (await readRawBody(event)) ?? ''
    const headers = Object.fromEntries(
      ['webhook-id', 'webhook-timestamp', 'webhook-signature'].map((name) => [name, getHeader(event, name) ?? '']),
    )
    const data = webhook.verify(raw, headers)
    await ask('insert into bare_event (id, kind, data) values ($1, $2, $3) on conflict do nothing', [
      headers['webhook-id'],
      'follow',
      JSON.stringify(data),
    ])
    setResponseStatus(event, 202)
    return { accepted: 1 }
  }),
)
const server = createServer(toNodeListener(app)).listen(0, '127.0.0.1', () => {
  const address = server.address()
  process.send?.(typeof address === 'object' && address ? address.port : 0)
})
