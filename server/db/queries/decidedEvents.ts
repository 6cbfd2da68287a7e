import { inArray, sql } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { event, type decision, type play } from '../schema.ts'

type EventRow = Omit<typeof event.$inferSelect, 'seq'>

/** Events that are already decided, waiting to become durable. */
export interface DecidedEvents {
  /** `feedId`: whose tally the event counts in; null for none. */
  events: (EventRow & { feedId: string | null })[]
  decisions: (typeof decision.$inferSelect)[]
  plays: (typeof play.$inferSelect)[]
  /** One for each feed that delivered something. */
  tallies: FeedTally[]
}

export interface FeedTally {
  feedId: string
  /** Events in the delivery, new or not. */
  total: number
  rejected: number
  receivedAt: Date
  /** Age of the newest event when it arrived. */
  lagMs: number | null
}

/**
 * Writes events, what was decided about them and what they play, and the feeds' tallies, by one call of a function in
 * the database: all of it becomes durable, or nothing, for the price of one round trip. What was seen before is left as
 * it is, together with its decisions and plays; so is the second of two that are the same.
 * @returns the ids of the events that were new
 */
export async function insertDecidedEvents(
  db: Database,
  { events, decisions, plays, tallies }: DecidedEvents,
): Promise<Set<string>> {
  const [eventsJson, playsJson, decisionsJson, talliesJson] = [events, plays, decisions, tallies].map((rows) =>
    JSON.stringify(rows),
  )
  const answer = await db.execute(
    sql`select thundercrest_keep_decided(${eventsJson}::jsonb, ${playsJson}::jsonb, ${decisionsJson}::jsonb, ${talliesJson}::jsonb) as id`,
  )
  // Both drivers answer `{ rows }`; their types do not say so in common.
  const { rows } = answer as unknown as { rows: { id: string }[] }
  return new Set(rows.map((row) => row.id))
}

/** Which of these ids there are events under. */
export async function listKnownEventIds(db: Database, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return []
  const rows = await db
    .select({ id: event.id })
    .from(event)
    .where(inArray(event.id, [...ids]))
  return rows.map(({ id }) => id)
}
