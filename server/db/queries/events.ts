import { and, asc, eq, gt, inArray } from 'drizzle-orm'
import type { Why } from '../../../core/rules/why.ts'
import type { Database } from '../handle.ts'
import { decision, event } from '../schema.ts'

export type EventRow = typeof event.$inferSelect
export type DecisionRow = typeof decision.$inferSelect

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

/** What was decided for a play of a box; null for a replay, which nobody decided. */
export async function findDecisionOfPlay(db: Database, boxId: string, playId: string): Promise<{ reason: string; why: Why | null } | null> {
  const [row] = await db.select({ reason: decision.reason, why: decision.why }).from(decision).where(and(eq(decision.boxId, boxId), eq(decision.playId, playId))).limit(1)
  return row ?? null
}
