import { and, asc, desc, eq, gt, gte, isNotNull, isNull, lt, sql, type SQL } from 'drizzle-orm'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Outcome } from '../../../core/response/outcome.ts'
import { refund } from '../goalSchema.ts'
import type { Database } from '../handle.ts'
import { effect, event } from '../liveSchema.ts'
import { rowsOf } from '../rowsOf.ts'
import type { EventRow } from './events.ts'

/** What of a channel's events is wanted. */
export interface HistoryWish {
  kind?: EventKind | undefined
  source?: string | undefined
  viewerId?: string | undefined
  /** At least so many minor units, by currency; one of them. */
  worth?: { currency: string; atLeastMinor: number }[] | undefined
  outcome?: Outcome | undefined
  /** When it was received, the end not included. */
  fromMs?: number | undefined
  untilMs?: number | undefined
  /** A tsquery in PostgreSQL's text form. */
  words?: string | undefined
  hasTests?: boolean | undefined
}

export interface HistoryPage {
  rows: EventRow[]
  /** Where to go on; null: nothing is left. */
  goesOnBehind: number | null
}

/** How much one page looks at. */
export interface HistoryBounds {
  /** So few are taken one by one, in their order. */
  few: number
  /** So far a page looks where it has to look at everything: more would take longer than anybody waits. */
  lookedThrough: number
  /** So many ends it looks at, where something else is asked for, too. */
  ends: number
}
const usualBounds: HistoryBounds = { few: 2_000, lookedThrough: 20_000, ends: 1_500 }
const viewerId = sql`(${event.data} -> 'viewer' ->> 'id')`
const currency = sql`(${event.data} ->> 'currency')`
const amount = sql`((${event.data} ->> 'amountMinor')::bigint)`
/** Word for word as the index has it. */
const words = sql`thundercrest_words(${event.data})`

const worthAny = (worth: NonNullable<HistoryWish['worth']>): SQL =>
  worth.length === 0
    ? sql`false`
    : sql`(${event.data} ->> 'amountMinor' is not null and (${sql.join(
        worth.map((each) => sql`(${currency} = ${each.currency} and ${amount} >= ${each.atLeastMinor})`),
        sql` or `,
      )}))`

/** Which way pages go, and behind which `seq` the next begins; null: at the end where that way begins. */
export interface Place {
  first: 'newest' | 'oldest'
  behind: number | null
}

const inOrder = { newest: desc, oldest: asc } as const
const behindIt = (column: typeof event.seq | typeof effect.eventSeq, { first, behind }: Place) =>
  behind === null ? undefined : (first === 'newest' ? lt : gt)(column, behind)

/**
 * A page of a channel's history. Every filter has its index. Of one that may hold for much or for little, what holds for
 * little is found by it and put in order; what holds for much is met soon by going through all in order, never over more
 * than so many events for a page: a page may be short and there is more.
 */
export async function listHistory(
  db: Database,
  channelId: string,
  wish: HistoryWish,
  place: Place,
  limit: number,
  bounds = usualBounds,
): Promise<HistoryPage> {
  const { fromMs, untilMs, outcome } = wish
  const plain = [
    eq(event.channelId, channelId),
    behindIt(event.seq, place),
    wish.kind && eq(event.kind, wish.kind),
    wish.source === undefined ? undefined : eq(event.source, wish.source),
    wish.viewerId === undefined ? undefined : sql`${viewerId} = ${wish.viewerId}`,
    wish.hasTests ? undefined : eq(event.isTest, false),
    ...(await ofDays(db, channelId, fromMs, untilMs)),
  ]
  const rare: { holds: SQL; surelyAsMuch?: SQL }[] = []
  if (wish.words !== undefined) {
    const has = (query: string) => sql`${words} @@ ${query}::tsquery`
    // Of whole words the planner knows how frequent they are; their beginnings are at least as much.
    rare.push({ holds: has(wish.words), surelyAsMuch: has(wish.words.replaceAll("':*", "'")) })
  }
  if (wish.worth) rare.push({ holds: worthAny(wish.worth) })
  const much: SQL[] = []
  for (const { holds, surelyAsMuch = holds } of rare) {
    const isMuch = (await guessOf(db, channelId, surelyAsMuch)) > surelyMuch * bounds.few
    const few = isMuch ? null : await fewOf(db, channelId, holds, bounds.few)
    if (few) plain.push(few)
    else much.push(holds)
  }
  if (outcome) {
    const { outcome: _outcome, hasTests: _tests, ...further } = wish
    const isAlone = Object.values(further).every((asked) => asked === undefined)
    const endsMost = isAlone ? limit * endsPerRow : bounds.ends
    return ofOutcome(db, channelId, outcome, [...plain, ...much], place, limit, endsMost)
  }
  const inOrderOf = inOrder[place.first](event.seq)
  if (much.length === 0) {
    const rows = await db
      .select()
      .from(event)
      .where(and(...plain))
      .orderBy(inOrderOf)
      .limit(limit)
    return { rows, goesOnBehind: rows.length === limit ? (rows.at(-1)?.seq ?? null) : null }
  }
  // Gone through in order, until there are enough or so many were looked at. It has the name of the table, for conditions say that.
  const looked = db
    .select()
    .from(event)
    .where(and(...plain))
    .orderBy(inOrderOf)
    .limit(bounds.lookedThrough)
  const rows = await db
    .select()
    .from(looked.as('event'))
    .where(and(...much))
    .orderBy(inOrderOf)
    .limit(limit)
  if (rows.length === limit) return { rows, goesOnBehind: rows.at(-1)?.seq ?? null }
  const [last] = await db
    .select({ seq: event.seq })
    .from(event)
    .where(and(...plain))
    .orderBy(inOrderOf)
    .offset(bounds.lookedThrough - 1)
    .limit(1)
  return { rows, goesOnBehind: last?.seq ?? null }
}

/** Where the events of these days lie: two steps into an index, instead of a comparison with each. */
async function ofDays(
  db: Database,
  channelId: string,
  fromMs: number | undefined,
  untilMs: number | undefined,
): Promise<(SQL | undefined)[]> {
  const first = async (ms: number) => {
    const [row] = await db
      .select({ seq: event.seq })
      .from(event)
      .where(and(eq(event.channelId, channelId), gte(event.receivedAt, new Date(ms))))
      .orderBy(event.receivedAt, event.seq)
      .limit(1)
    return row?.seq ?? null
  }
  if (fromMs === undefined && untilMs === undefined) return []
  const [from, until] = await Promise.all([
    fromMs === undefined ? 0 : first(fromMs),
    untilMs === undefined ? null : first(untilMs),
  ])
  if (from === null) return [sql`false`]
  return [
    // What several servers receive at once may be numbered the other way round by a breath.
    from > 0 ? gte(event.seq, from - numberedLate) : undefined,
    until === null ? undefined : lt(event.seq, until + numberedLate),
    fromMs === undefined ? undefined : gte(event.receivedAt, new Date(fromMs)),
    untilMs === undefined ? undefined : lt(event.receivedAt, new Date(untilMs)),
  ]
}
const numberedLate = 1_000

/** One of these, said as one text: thousands of parameters take longer than the question. */
const oneOf = (seqs: string): SQL => sql`${event.seq} = any(${seqs}::bigint[])`

/** The planner guesses how much a condition holds for, and is seldom so wrong: to count so many would take longer. */
const surelyMuch = 10

async function guessOf(db: Database, channelId: string, condition: SQL): Promise<number> {
  const answer = await db.execute(
    sql`explain (format json) select 1 from ${event} where ${eq(event.channelId, channelId)} and ${condition}`,
  )
  const [row] = rowsOf<{ 'QUERY PLAN': { Plan: { 'Plan Rows': number } }[] }>(answer)
  return row?.['QUERY PLAN'][0]?.Plan['Plan Rows'] ?? 0
}

/** What a condition holds for, by its own index, where that is little; null: it is much. */
async function fewOf(db: Database, channelId: string, condition: SQL, fewMost: number): Promise<SQL | null> {
  const found = db
    .select({ seq: event.seq })
    .from(event)
    .where(and(eq(event.channelId, channelId), condition))
    .limit(fewMost + 1)
    .as('found')
  const [row] = await db
    .select({ count: sql<number>`count(*)::int`, seqs: sql<string | null>`array_agg(${found.seq})::text` })
    .from(found)
  return (row?.count ?? 0) > fewMost ? null : oneOf(row?.seqs ?? '{}')
}

/** Of several boxes each has its own; some are of tests. */
const endsPerRow = 4

/** Of what became this, in its order. */
async function ofOutcome(
  db: Database,
  channelId: string,
  outcome: Outcome,
  plain: (SQL | undefined)[],
  place: Place,
  limit: number,
  endsMost: number,
): Promise<HistoryPage> {
  const ended = (
    await db
      // Of several boxes each has its own.
      .selectDistinct({ seq: effect.eventSeq })
      .from(effect)
      .where(
        and(
          eq(effect.channelId, channelId),
          eq(effect.outcome, outcome),
          isNotNull(effect.eventSeq),
          isNotNull(effect.outcome),
          behindIt(effect.eventSeq, place),
        ),
      )
      .orderBy(inOrder[place.first](effect.eventSeq))
      .limit(endsMost)
  ).flatMap(({ seq }) => (seq === null ? [] : [seq]))
  if (ended.length === 0) return { rows: [], goesOnBehind: null }
  const rows = await db
    .select()
    .from(event)
    .where(and(...plain, oneOf(`{${ended.join(',')}}`)))
    .orderBy(inOrder[place.first](event.seq))
    .limit(limit)
  const rest = ended.length === endsMost ? (ended.at(-1) ?? null) : null
  return { rows, goesOnBehind: rows.length === limit ? (rows.at(-1)?.seq ?? null) : rest }
}

/** From what a channel's events have come. */
export async function listSources(db: Database, channelId: string): Promise<string[]> {
  // From one to the next by the index: to read them all for their few sources would take ever longer.
  const answer = await db.execute(sql`
    with recursive known as (
      (select source from event where channel_id = ${channelId} order by source limit 1)
      union all
      select (select source from event where channel_id = ${channelId} and source > known.source order by source limit 1)
      from known where known.source is not null
    )
    select source from known where source is not null limit 200`)
  return rowsOf<{ source: string }>(answer).map(({ source }) => source)
}

/** What a viewer did of each kind. */
export interface ViewerDeeds {
  kind: EventKind
  count: number
  firstAt: Date
  lastAt: Date
}

/** Sums over what one viewer of a source did, without tests and what was given back. */
export async function readViewer(
  db: Database,
  channelId: string,
  source: string,
  id: string,
): Promise<{ deeds: ViewerDeeds[]; given: { currency: string; amountMinor: number }[] }> {
  const own = and(
    eq(event.channelId, channelId),
    sql`${viewerId} = ${id}`,
    eq(event.source, source),
    eq(event.isTest, false),
  )
  const [deeds, given] = await Promise.all([
    db
      .select({
        kind: event.kind,
        count: sql<number>`count(*)::int`,
        firstAt: sql`min(${event.occurredAt})`.mapWith(event.occurredAt),
        lastAt: sql`max(${event.occurredAt})`.mapWith(event.occurredAt),
      })
      .from(event)
      .where(own)
      .groupBy(event.kind)
      .orderBy(desc(sql`count(*)`)),
    db
      .select({
        currency: sql<string>`${currency}`,
        amountMinor: sql<number>`sum(${amount})::float8`,
      })
      .from(event)
      .leftJoin(refund, eq(refund.eventId, event.id))
      .where(and(own, sql`${event.data} ->> 'amountMinor' is not null`, isNull(refund.eventId)))
      .groupBy(currency),
  ])
  return { deeds, given }
}

/** Whether anything was decided in a channel: then it has a history of its own. */
export async function hasDecided(db: Database, channelId: string): Promise<boolean> {
  const [own] = await db
    .select({ id: effect.id })
    .from(effect)
    .innerJoin(event, eq(event.id, effect.eventId))
    .where(and(eq(effect.channelId, channelId), eq(event.isTest, false)))
    .limit(1)
  return own !== undefined
}

/** Writes events of a history as they are, without anything that they cause. @returns how many were not there */
export async function bringBack(db: Database, rows: (typeof event.$inferInsert)[]): Promise<number> {
  const added = await db.insert(event).values(rows).onConflictDoNothing().returning({ id: event.id })
  return added.length
}
