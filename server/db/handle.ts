import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import type { Bus } from '../lanes/bus.ts'

/** The database as every query sees it, whichever engine is behind it. A transaction is one too. */
export type Database = PgDatabase<PgQueryResultHKT>

/** An open database. */
export interface DatabaseHandle {
  kind: 'embedded' | 'server'
  db: Database
  /** Runs statements that are not queries (migrations). */
  execute(sql: string): Promise<void>
  /** How much room is left where it writes; null where that is not this machine's to know. */
  freeBytes(): Promise<number | null>
  /** Opens the way to the other processes on this database. */
  openBus(nodeId: string): Promise<Bus>
  close(): Promise<void>
}
