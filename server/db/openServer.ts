import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import type { DatabaseHandle } from './handle.ts'
import { PostgresBus } from './postgresBus.ts'

/** Connects to a PostgreSQL server. @throws when it cannot be reached: a start without a database is no start. */
export async function openServer(url: string, connections = 8): Promise<DatabaseHandle> {
  const pool = new pg.Pool({
    connectionString: url,
    max: connections,
    // A server that hangs must not hang what waits for it.
    connectionTimeoutMillis: 3_000,
    query_timeout: 15_000,
    keepAlive: true,
  })
  // An idle connection that breaks must not end the process; the next query opens a new one.
  pool.on('error', () => undefined)
  await pool.query('select 1')
  return {
    kind: 'server',
    db: drizzle(pool),
    execute: async (sql) => void (await pool.query(sql)),
    freeBytes: () => Promise.resolve(null),
    openBus: (nodeId) => PostgresBus.open(url, nodeId),
    close: () => pool.end(),
  }
}
