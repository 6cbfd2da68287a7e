import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import type * as schema from './schema.ts'

/** The database as every query sees it, whichever engine is behind it. A transaction is one too. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>

/** An open database. */
export interface DatabaseHandle {
  kind: 'embedded' | 'server'
  db: Database
  /** Runs statements that are not queries (migrations). */
  execute(sql: string): Promise<void>
  close(): Promise<void>
}
