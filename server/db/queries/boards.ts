import { and, desc, eq, gte, inArray, isNull, sql, type SQL } from 'drizzle-orm'
import type { Given } from '../../../core/board/topRows.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Database } from '../handle.ts'
import { refund } from '../goalSchema.ts'
import { event, removal } from '../liveSchema.ts'
import { rowsOf } from '../rowsOf.ts'
import { withinLookedThrough, type EventRow } from './events.ts'

const realOf = (channelId: string): SQL | undefined => and(eq(event.channelId, channelId), eq(event.isTest, false))

/**
 * The newest events of some kinds, newest first, without tests and what was given back. Looked for among the channel's newest;
 * see `withinLookedThrough`.
 */
export async function listNewest(
  db: Database,
  channelId: string,
  kinds: readonly EventKind[],
  most: number,
): Promise<EventRow[]> {
  const rows = await db
    .select({ event })
    .from(event)
    .leftJoin(refund, eq(refund.eventId, event.id))
    .where(
      and(
        realOf(channelId),
        inArray(event.kind, [...kinds]),
        isNull(refund.eventId),
        await withinLookedThrough(db, eq(event.channelId, channelId)),
      ),
    )
    .orderBy(desc(event.seq))
    .limit(most)
  return rows.map((row) => row.event)
}

/** The newest lines of a channel's chats, newest first, without those that were taken away. @param sources null: of all */
export async function listChatLines(
  db: Database,
  channelId: string,
  sources: readonly string[] | null,
  most: number,
): Promise<EventRow[]> {
  if (sources?.length === 0) return []
  return db
    .select()
    .from(event)
    .where(
      and(
        realOf(channelId),
        eq(event.kind, 'chatMessage'),
        sources ? inArray(event.source, [...sources]) : undefined,
        await withinLookedThrough(db, eq(event.channelId, channelId)),
        sql`not exists (select 1 from ${removal} where ${removal.channelId} = ${event.channelId}
          and ${removal.source} = ${event.source} and (${removal.externalId} = ${event.externalId}
          or (${removal.viewerId} = ${event.data} -> 'viewer' ->> 'id' and ${removal.at} >= ${event.receivedAt})))`,
      ),
    )
    .orderBy(desc(event.seq))
    .limit(most)
}

/** How many events there were since then. @param command of chat commands only those of this name, in any case */
export async function countEvents(
  db: Database,
  channelId: string,
  kinds: readonly EventKind[],
  command: string | null,
  since: Date | null,
): Promise<number> {
  const named =
    command === null
      ? undefined
      : sql`(${event.kind} <> 'chatCommand' or lower(ltrim(${event.data} ->> 'command', '!')) = ${command.toLowerCase()})`
  const [row] = await db
    .select({ count: sql<string>`count(*)` })
    .from(event)
    .where(
      and(realOf(channelId), inArray(event.kind, [...kinds]), since ? gte(event.occurredAt, since) : undefined, named),
    )
  return Number(row?.count ?? 0)
}

/** What each viewer gave in each currency since then, without what was given back. Whoever stays anonymous is nobody. */
export async function listGiven(
  db: Database,
  channelId: string,
  kinds: readonly EventKind[],
  since: Date | null,
): Promise<Given[]> {
  const rows = rowsOf<{ viewer: string; name: string; currency: string; minor: string }>(
    await db.execute(sql`
      select event.source || '/' || (event.data -> 'viewer' ->> 'id') as viewer,
        (array_agg(event.data -> 'viewer' ->> 'name' order by event.seq desc))[1] as name,
        event.data ->> 'currency' as currency, sum((event.data ->> 'amountMinor')::numeric)::text as minor
      from event left join refund on refund.event_id = event.id
      where event.channel_id = ${channelId} and event.kind in ${[...kinds]} and not event.is_test
        and refund.event_id is null and event.data -> 'viewer' ->> 'id' is not null
        ${since ? sql`and event.occurred_at >= ${since.toISOString()}` : sql``}
      group by 1, 3 order by sum((event.data ->> 'amountMinor')::numeric) desc limit 2000`),
  )
  return rows.map(({ viewer, name, currency, minor }) => ({
    ...{ viewerId: viewer, name, currency },
    amountMinor: Number(minor),
  }))
}

/** Keeps what a chat has taken away. Said again, it is the same. */
export async function addRemovals(db: Database, rows: readonly (typeof removal.$inferInsert)[]): Promise<void> {
  if (rows.length > 0)
    await db
      .insert(removal)
      .values([...rows])
      .onConflictDoNothing()
}
