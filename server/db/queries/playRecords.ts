import { sql } from 'drizzle-orm'
import type { Together } from '../../../core/queue/ticket.ts'
import type { Lane } from '../../../core/response/lane.ts'
import type { Outcome } from '../../../core/response/outcome.ts'
import type { PlayProgress } from '../../../contract/views.ts'
import type { Database } from '../handle.ts'
import { ownOf, recordPlays as routine } from '../routines.ts'
import { rowsOf } from '../rowsOf.ts'
import { sharedRows } from '../sharedRows.ts'

/** What changed about a play. Absent fields stay as they are. */
export interface PlayRecord {
  id: string
  state?: PlayProgress
  shownCount?: number
  /** Null: it has not started after all. */
  startedAt?: Date | null
  lengthMs?: number
  /** What became of it: of two the first stays. */
  outcome?: Outcome
  /** Why that became of it; without an outcome, why it waits. */
  reason?: string
  outcomeAt?: Date
  /** With how many others it is shown. */
  together?: Together
  /** The play that shows it with others. */
  mergedInto?: string
}

/** The owner of a lane, as it is known in the database. */
export interface LaneHold {
  lane: Lane
  epoch: number
}

/**
 * Writes what changed about many plays of a lane, one record each, in one call. Written again it changes nothing more.
 * @returns false where the lane is another's by now: nothing is written then
 */
export async function recordPlays(
  db: Database,
  records: readonly PlayRecord[],
  { lane, epoch }: LaneHold,
): Promise<boolean> {
  const { rows, rests } = sharedRows(
    records.map((record) => ({ ...record, isStartGone: record.startedAt === null })),
    ownOf.records,
  )
  const answer = await db.execute(
    sql`select ${sql.raw(routine.name)}(${rows}::jsonb, ${rests}::jsonb, ${lane}, ${epoch}) as held`,
  )
  return rowsOf<{ held: boolean }>(answer)[0]?.held ?? false
}
