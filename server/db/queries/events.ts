import { and, asc, desc, eq, gt, inArray, lt } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { decision, event } from '../schema.ts'

export type EventRow = typeof event.$inferSelect
export type DecisionRow = typeof decision.$inferSelect

/** The channel's events after `seq`, oldest first, with the decisions on each. */
export async function listEvents(
  db: Database,
  channelId: string,
  afterSeq: number,
  limit: number,
): Promise<(EventRow & { decisions: DecisionRow[] })[]> {
  const events = await db
    .select()
    .from(event)
    .where(and(eq(event.channelId, channelId), gt(event.seq, afterSeq)))
    .orderBy(asc(event.seq))
    .limit(limit)
  const decisions =
    events.length > 0
      ? await db
          .select()
          .from(decision)
          .where(
            inArray(
              decision.eventId,
              events.map((each) => each.id),
            ),
          )
      : []
  return events.map((each) => ({ ...each, decisions: decisions.filter((made) => made.eventId === each.id) }))
}

/**
 * The newest events of a channel with what one box decided about them, newest first; those of before `beforeSeq` where
 * that is given.
 */
export async function listDecisions(
  db: Database,
  channelId: string,
  boxId: string,
  beforeSeq: number | null,
  limit: number,
): Promise<{ event: EventRow; decision: DecisionRow | null }[]> {
  return db
    .select({ event, decision })
    .from(event)
    .leftJoin(decision, and(eq(decision.eventId, event.id), eq(decision.boxId, boxId)))
    .where(and(eq(event.channelId, channelId), beforeSeq === null ? undefined : lt(event.seq, beforeSeq)))
    .orderBy(desc(event.seq))
    .limit(limit)
}

/**
 * An event of a channel with what a box decided about it; null where there is none. A test of another box was not
 * decided here.
 */
export async function findDecision(
  db: Database,
  channelId: string,
  boxId: string,
  eventId: string,
): Promise<{ event: EventRow; decision: DecisionRow | null } | null> {
  const [row] = await db
    .select({ event, decision })
    .from(event)
    .leftJoin(decision, and(eq(decision.eventId, event.id), eq(decision.boxId, boxId)))
    .where(and(eq(event.channelId, channelId), eq(event.id, eventId)))
    .limit(1)
  return row ?? null
}
