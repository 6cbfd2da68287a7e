import { sql } from 'drizzle-orm'
import type { PlayState } from '../../../contract/views.ts'
import type { Database } from '../handle.ts'

/** What changed about a play. Absent fields stay as they are. */
export interface PlayRecord {
  id: string
  state?: PlayState
  reason?: string
  shownCount?: number
  /** Null: it has not started after all. */
  startedAt?: Date | null
  endedAt?: Date
  lengthMs?: number
}

/** Writes what changed about many plays, one record each, in one call. Written again it changes nothing more. */
export async function recordPlays(db: Database, records: readonly PlayRecord[]): Promise<void> {
  const rows = records.map((record) => ({ ...record, isStartGone: record.startedAt === null }))
  await db.execute(sql`select thundercrest_record_plays(${JSON.stringify(rows)}::jsonb)`)
}
