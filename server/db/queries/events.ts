import { and, asc, eq, gt, inArray } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { decision, event } from '../schema.ts'

export type EventRow = typeof event.$inferSelect
export type DecisionRow = typeof decision.$inferSelect

/** Inserts what is new and returns it; what was seen before is left as it is. Within one call, repeats collapse too. */
export async function insertNewEvents(db: Database, rows: (typeof event.$inferInsert)[]): Promise<EventRow[]> {
  if (rows.length === 0) return []
  return db.insert(event).values(rows).onConflictDoNothing({ target: [event.channelId, event.source, event.externalId] }).returning()
}

export async function insertDecisions(db: Database, rows: (typeof decision.$inferInsert)[]): Promise<void> {
  if (rows.length > 0) await db.insert(decision).values(rows)
}

/** The channel's events after `seq`, oldest first, with the decisions on each. */
export async function listEvents(db: Database, channelId: string, afterSeq: number, limit: number): Promise<(EventRow & { decisions: DecisionRow[] })[]> {
  const events = await db
    .select()
    .from(event)
    .where(and(eq(event.channelId, channelId), gt(event.seq, afterSeq)))
    .orderBy(asc(event.seq))
    .limit(limit)
  const decisions = events.length > 0 ? await db.select().from(decision).where(inArray(decision.eventId, events.map((each) => each.id))) : []
  return events.map((each) => ({ ...each, decisions: decisions.filter((made) => made.eventId === each.id) }))
}
