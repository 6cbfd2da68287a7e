import { and, asc, desc, eq, gt, gte, isNull, lt, sql } from 'drizzle-orm'
import type { BroadcastState, EndedBroadcast } from '../../../core/broadcast/foldBroadcast.ts'
import { gapMs } from '../../../core/broadcast/foldBroadcast.ts'
import { broadcast, broadcastMark, broadcastsTold } from '../broadcastSchema.ts'
import type { Database } from '../handle.ts'
import { effect, event, play } from '../liveSchema.ts'
import { rowsOf } from '../rowsOf.ts'
import { channel } from '../schema.ts'

export type BroadcastRow = typeof broadcast.$inferSelect
export type MarkRow = typeof broadcastMark.$inferSelect

/** Keeps that somebody, or the studio, said that a broadcast begins or ends. */
export async function addMark(db: Database, row: Omit<MarkRow, 'seq'>): Promise<void> {
  await db.insert(broadcastMark).values(row)
}

/** Where the telling of a channel's broadcasts stands, held until the transaction is over. */
export async function takeTold(
  tx: Database,
  channelId: string,
): Promise<{ state: BroadcastState; openId: string | null; eventSeq: number; markSeq: number }> {
  // One at a time: whoever comes second goes on from where the first has come to. Events that come meanwhile do not wait.
  await tx.select({ id: channel.id }).from(channel).where(eq(channel.id, channelId)).for('no key update')
  const [told] = await tx.select().from(broadcastsTold).where(eq(broadcastsTold.channelId, channelId))
  const [open] = await tx
    .select()
    .from(broadcast)
    .where(and(eq(broadcast.channelId, channelId), isNull(broadcast.endedAt)))
    .orderBy(desc(broadcast.beganAt))
    .limit(1)
  return {
    state: {
      quietUntilMs: told?.quietUntil?.getTime() ?? -Infinity,
      open: open ? { beganMs: open.beganAt.getTime(), begunBy: open.begunBy, lastMs: open.lastAt.getTime() } : null,
    },
    openId: open?.id ?? null,
    eventSeq: told?.eventSeq ?? 0,
    markSeq: told?.markSeq ?? 0,
  }
}

/** Marks that were not looked at yet, in their order. */
export const listMarks = (db: Database, channelId: string, afterSeq: number): Promise<MarkRow[]> =>
  db
    .select()
    .from(broadcastMark)
    .where(and(eq(broadcastMark.channelId, channelId), gt(broadcastMark.seq, afterSeq)))
    .orderBy(asc(broadcastMark.seq))

/** What a channel does by itself keeps no broadcast going. */
const isByItself = sql`(${event.kind} in ('goalStarted', 'goalReached', 'sponsorLine') or ${event.source} = 'clock')`

/** A stretch in which something happened again and again, never with a gap that parts broadcasts. */
export interface Stretch {
  fromMs: number
  untilMs: number
  lastSeq: number
}

/** The stretches behind an event, within [from, until): however many events there are, each is a row. */
export async function listStretches(
  db: Database,
  channelId: string,
  afterSeq: number,
  fromMs: number,
  untilMs: number,
): Promise<Stretch[]> {
  const bound = (ms: number) => (Number.isFinite(ms) ? new Date(ms).toISOString() : String(ms))
  const answer = await db.execute(sql`
    with fresh as (
      select ${event.seq} as seq, ${event.receivedAt} as at, ${event.receivedAt} - lag(${event.receivedAt}) over (order by ${event.receivedAt}, ${event.seq}) as apart
      from ${event}
      where ${event.channelId} = ${channelId} and ${event.seq} > ${afterSeq} and not ${event.isTest} and not ${isByItself}
        and ${event.receivedAt} >= ${bound(fromMs)}::timestamptz and ${event.receivedAt} < ${bound(untilMs)}::timestamptz
    ), parted as (
      select seq, at, count(*) filter (where apart >= ${`${gapMs} milliseconds`}::interval) over (order by at, seq) as part from fresh
    )
    select (extract(epoch from min(at)) * 1000)::float8 as "fromMs", (extract(epoch from max(at)) * 1000)::float8 as "untilMs", max(seq)::float8 as "lastSeq"
    from parted group by part order by 1`)
  return rowsOf<Stretch>(answer).map(({ fromMs: from, untilMs: until, lastSeq }) => ({
    fromMs: Math.round(from),
    untilMs: Math.round(until),
    lastSeq,
  }))
}

/** Writes how far it was told, and what came of it. */
export async function keepTold(
  tx: Database,
  channelId: string,
  ended: readonly (EndedBroadcast & { id: string })[],
  {
    state,
    openId,
    eventSeq,
    markSeq,
  }: { state: BroadcastState; openId: string | null; eventSeq: number; markSeq: number },
): Promise<void> {
  const rows: BroadcastRow[] = ended.map(({ id, beganMs, begunBy, lastMs, endedMs, endedBy }) => ({
    ...{ id, channelId, begunBy, endedBy, beganAt: new Date(beganMs), lastAt: new Date(lastMs) },
    endedAt: new Date(endedMs),
  }))
  if (state.open && openId !== null)
    rows.push({
      ...{ id: openId, channelId, begunBy: state.open.begunBy, beganAt: new Date(state.open.beganMs) },
      ...{ lastAt: new Date(state.open.lastMs), endedAt: null, endedBy: null },
    })
  for (const row of rows) await tx.insert(broadcast).values(row).onConflictDoUpdate({ target: broadcast.id, set: row })
  const quietUntil = Number.isFinite(state.quietUntilMs) ? new Date(state.quietUntilMs) : null
  const set = { eventSeq, markSeq, quietUntil }
  await tx
    .insert(broadcastsTold)
    .values({ channelId, ...set })
    .onConflictDoUpdate({ target: broadcastsTold.channelId, set })
}

const listedMost = 200

/** Newest first. */
export const listBroadcasts = (db: Database, channelId: string): Promise<BroadcastRow[]> =>
  db
    .select()
    .from(broadcast)
    .where(eq(broadcast.channelId, channelId))
    .orderBy(desc(broadcast.beganAt))
    .limit(listedMost)

export async function findBroadcast(db: Database, channelId: string, id: string): Promise<BroadcastRow | null> {
  const [row] = await db
    .select()
    .from(broadcast)
    .where(and(eq(broadcast.channelId, channelId), eq(broadcast.id, id)))
  return row ?? null
}

/** Events of a stretch of time, tests left out, oldest first, and their plays. */
export async function listForReport(
  db: Database,
  channelId: string,
  from: Date,
  until: Date,
  afterSeq: number,
  limit: number,
) {
  const events = await db
    .select()
    .from(event)
    .where(
      and(
        eq(event.channelId, channelId),
        eq(event.isTest, false),
        gte(event.receivedAt, from),
        lt(event.receivedAt, until),
        gt(event.seq, afterSeq),
      ),
    )
    .orderBy(asc(event.seq))
    .limit(limit)
  const [first, last] = [events[0]?.seq, events.at(-1)?.seq]
  if (first === undefined || last === undefined) return []
  const plays = await db
    .select({
      eventId: play.eventId,
      boxId: play.boxId,
      outcome: effect.outcome,
      enqueuedAt: play.enqueuedAt,
      startedAt: play.startedAt,
      outcomeAt: effect.outcomeAt,
    })
    .from(effect)
    .innerJoin(play, eq(play.id, effect.id))
    .innerJoin(event, eq(event.id, effect.eventId))
    .where(
      and(
        eq(event.channelId, channelId),
        gte(event.seq, first),
        sql`${event.seq} <= ${last}`,
        eq(effect.isAgain, false),
      ),
    )
  const byEvent = new Map<string, typeof plays>(events.map(({ id }) => [id, []]))
  for (const each of plays) byEvent.get(each.eventId)?.push(each)
  return events.map((row) => ({ row, plays: byEvent.get(row.id) ?? [] }))
}
