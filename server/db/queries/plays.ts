import { and, asc, desc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import type { PlaySpeech } from '../../../contract/speech.ts'
import type { Database } from '../handle.ts'
import { event, play } from '../schema.ts'

export type PlayRow = typeof play.$inferSelect
export type PlayWithEvent = PlayRow & { event: typeof event.$inferSelect }

/** Word for word as the index has it: with the states as parameters a kept plan could not know that it applies. */
const isOpen = sql`${play.state} in ('waiting', 'preparing', 'playing')`

export async function insertPlays(db: Database, rows: (typeof play.$inferInsert)[]): Promise<void> {
  if (rows.length > 0) await db.insert(play).values(rows)
}

/** Plays that have not ended, in order of arrival. */
export async function listOpenPlays(db: Database, boxId: string): Promise<PlayRow[]> {
  return db
    .select()
    .from(play)
    .where(and(eq(play.boxId, boxId), isOpen))
    .orderBy(asc(play.enqueuedAt), asc(play.id))
}

export async function findPlay(db: Database, id: string): Promise<PlayWithEvent | null> {
  const [row] = await db
    .select()
    .from(play)
    .innerJoin(event, eq(event.id, play.eventId))
    .where(eq(play.id, id))
    .limit(1)
  return row ? { ...row.play, event: row.event } : null
}

export async function listPlays(db: Database, ids: readonly string[]): Promise<PlayWithEvent[]> {
  if (ids.length === 0) return []
  const rows = await db
    .select()
    .from(play)
    .innerJoin(event, eq(event.id, play.eventId))
    .where(inArray(play.id, [...ids]))
  return rows.map((row) => ({ ...row.play, event: row.event }))
}

/** Plays that have ended, newest first. */
export async function listEndedPlays(db: Database, boxId: string, limit: number): Promise<PlayWithEvent[]> {
  const rows = await db
    .select()
    .from(play)
    .innerJoin(event, eq(event.id, play.eventId))
    .where(
      and(
        eq(play.boxId, boxId),
        isNotNull(play.endedAt),
        inArray(play.state, ['done', 'skipped', 'expired', 'failed']),
      ),
    )
    .orderBy(desc(play.endedAt))
    .limit(limit)
  return rows.map((row) => ({ ...row.play, event: row.event }))
}

export async function updatePlay(db: Database, id: string, set: Partial<typeof play.$inferInsert>): Promise<void> {
  await db.update(play).set(set).where(eq(play.id, id))
}

/**
 * Changes some of what is read of a play, and leaves the rest as it stands: whoever speaks and whoever says no write at
 * the same time.
 */
export async function mergePlaySpeech(
  db: Database,
  id: string,
  changes: Partial<PlaySpeech>,
  set: Partial<typeof play.$inferInsert> = {},
): Promise<void> {
  await db
    .update(play)
    .set({ ...set, speech: sql`coalesce(${play.speech}, '{}'::jsonb) || ${JSON.stringify(changes)}::jsonb` })
    .where(eq(play.id, id))
}
