import { and, asc, desc, eq, gt, inArray, lt, ne, type SQL } from 'drizzle-orm'
import { boxOfLane, laneOfBox } from '../../../core/response/lane.ts'
import type { Database } from '../handle.ts'
import { effect, event, play } from '../liveSchema.ts'
import type { EffectRow } from './effects.ts'

export type EventRow = typeof event.$inferSelect

/** What a box decided about an event, and what became of that. */
export type DecisionRow = Pick<EffectRow, 'eventId' | 'decided' | 'why' | 'outcome' | 'reason' | 'outcomeAt'> & {
  boxId: string
  /** Both null where nothing plays. */
  playId: string | null
  variationName: string | null
}

const decisionOf = (
  { lane, eventId, decided, why, outcome, reason, outcomeAt }: EffectRow,
  shown: Pick<DecisionRow, 'playId' | 'variationName'>,
): DecisionRow => ({ boxId: boxOfLane(lane) ?? '', eventId, decided, why, outcome, reason, outcomeAt, ...shown })

/** The channel's events after `seq`, oldest first, with what each box decided and what became of it. */
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
  const byEvent = await decisionsOf(
    db,
    events.map(({ id }) => id),
  )
  return events.map((each) => ({ ...each, decisions: byEvent.get(each.id) ?? [] }))
}

/** What each box decided about these events and what became of it, by event. */
export async function decisionsOf(db: Database, ids: readonly string[]): Promise<Map<string, DecisionRow[]>> {
  const byEvent = new Map<string, DecisionRow[]>(ids.map((id) => [id, []]))
  if (ids.length === 0) return byEvent
  const rows = await db
    .select({ effect, playId: play.id, variationName: play.variationName })
    .from(effect)
    .leftJoin(play, eq(play.id, effect.id))
    .where(and(inArray(effect.eventId, [...ids]), eq(effect.isAgain, false)))
  for (const { effect: of, ...shown } of rows) byEvent.get(of.eventId)?.push(decisionOf(of, shown))
  return byEvent
}

/** Events with what one box decided about each; null where it was not asked. */
function decidedBy(db: Database, boxId: string) {
  return db
    .select({ event, effect, playId: play.id, variationName: play.variationName })
    .from(event)
    .leftJoin(effect, and(eq(effect.eventId, event.id), eq(effect.lane, laneOfBox(boxId)), eq(effect.isAgain, false)))
    .leftJoin(play, eq(play.id, effect.id))
}

type Decided = Awaited<ReturnType<typeof decidedBy>>[number]
const asDecided = ({ event: of, effect: caused, ...shown }: Decided) => ({
  event: of,
  decision: caused ? decisionOf(caused, shown) : null,
})

/** So far back rare events are looked for: in a year without any of them nobody waits for all of it. */
const lookedThrough = 20_000

/** The event behind which nothing is looked for any more, as a condition; undefined where there are not so many. */
export async function withinLookedThrough(db: Database, which: SQL | undefined): Promise<SQL | undefined> {
  const [oldest] = await db
    .select({ seq: event.seq })
    .from(event)
    .where(which)
    .orderBy(desc(event.seq))
    .offset(lookedThrough)
    .limit(1)
  return oldest && gt(event.seq, oldest.seq)
}

/**
 * The newest events of a channel with what one box decided about them, newest first; those of before `beforeSeq` where
 * that is given.
 * @param isUnplayed only those of which something else became than that they played
 */
export async function listDecisions(
  db: Database,
  channelId: string,
  boxId: string,
  beforeSeq: number | null,
  limit: number,
  isUnplayed = false,
): Promise<{ event: EventRow; decision: DecisionRow | null }[]> {
  const ofChannel = and(eq(event.channelId, channelId), beforeSeq === null ? undefined : lt(event.seq, beforeSeq))
  const unplayed = isUnplayed && and(ne(effect.outcome, 'played'), await withinLookedThrough(db, ofChannel))
  const rows = await decidedBy(db, boxId)
    .where(and(ofChannel, unplayed || undefined))
    .orderBy(desc(event.seq))
    .limit(limit)
  return rows.map(asDecided)
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
  const [row] = await decidedBy(db, boxId)
    .where(and(eq(event.channelId, channelId), eq(event.id, eventId)))
    .limit(1)
  return row ? asDecided(row) : null
}
