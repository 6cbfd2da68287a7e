import { inArray, sql } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { keepDecided, ownOf } from '../routines.ts'
import { rowsOf } from '../rowsOf.ts'
import { sharedRows } from '../sharedRows.ts'
import { event, type play } from '../liveSchema.ts'
import type { pointsEntry, run } from '../triggerSchema.ts'
import type { EffectRow } from './effects.ts'

type EventRow = Omit<typeof event.$inferSelect, 'seq'>

/** Events that are already decided, waiting to become durable. */
export interface DecidedEvents {
  /** `feedId`: whose tally the event counts in; null for none. */
  events: (EventRow & { feedId: string | null })[]
  /** What they cause. */
  effects: EffectRow[]
  /** Of effects that show something, the play; it has the effect's id. */
  plays: (typeof play.$inferSelect)[]
  /** What they set off. */
  runs: Omit<typeof run.$inferSelect, 'seq'>[]
  /** What they earn their viewers of the channel's points. */
  earned: EarnedPoints[]
  /** What they bring goals. */
  counted: CountedAmount[]
  /** By what was decided what they bring. */
  bases: { channelId: string; basis: number }[]
  /** One for each feed that delivered something. */
  tallies: FeedTally[]
}

/** An entry of the ledger, with the event that earned it and the viewer's name. */
export type EarnedPoints = Omit<typeof pointsEntry.$inferSelect, 'seq'> & { eventId: string; name: string }

/** What an event brings a goal. */
export interface CountedAmount {
  eventId: string
  channelId: string
  goalId: string
  amount: number
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
 * Writes events with what they cause, in one call; see `keepDecided` among the routines.
 * @param wake said to every process with the commit; null: nobody has to be woken
 * @returns the ids of the events that were new
 */
export async function insertDecidedEvents(
  db: Database,
  { events, effects, plays, runs, earned, counted, bases, tallies }: DecidedEvents,
  wake: string | null = null,
): Promise<Set<string>> {
  const said = [
    sharedRows(events, ownOf.events),
    sharedRows(effects, ownOf.effects),
    sharedRows(plays, ownOf.plays),
  ].flatMap(({ rows, rests }) => [sql`${rows}::jsonb`, sql`${rests}::jsonb`])
  const answer = await db.execute(
    sql`select ${sql.raw(keepDecided.name)}(${sql.join(said, sql`, `)}, ${JSON.stringify(runs)}::jsonb, ${JSON.stringify(earned)}::jsonb, ${JSON.stringify(counted)}::jsonb, ${JSON.stringify(bases)}::jsonb, ${JSON.stringify(tallies)}::jsonb, ${wake}::text) as id`,
  )
  return new Set(rowsOf<{ id: string }>(answer).map(({ id }) => id))
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
