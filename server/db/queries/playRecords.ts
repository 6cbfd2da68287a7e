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

/**
 * Writes what changed about many plays in one statement; the later of two records about one play completes the earlier.
 */
export async function recordPlays(db: Database, records: readonly PlayRecord[]): Promise<void> {
  const merged = new Map<string, PlayRecord>()
  for (const record of records) merged.set(record.id, { ...merged.get(record.id), ...record })
  const rows = [...merged.values()].map((record) => ({ ...record, isStartGone: record.startedAt === null }))
  await db.execute(sql`
    update play set
      state = coalesce(given."state", play.state),
      reason = coalesce(given."reason", play.reason),
      shown_count = coalesce(given."shownCount", play.shown_count),
      started_at = case when given."isStartGone" then null else coalesce(given."startedAt", play.started_at) end,
      ended_at = coalesce(given."endedAt", play.ended_at),
      length_ms = coalesce(given."lengthMs", play.length_ms)
    from jsonb_to_recordset(${JSON.stringify(rows)}::jsonb) as given(
      "id" text, "state" text, "reason" text, "shownCount" integer, "startedAt" timestamptz, "isStartGone" boolean, "endedAt" timestamptz, "lengthMs" integer
    )
    where play.id = given."id"`)
}
