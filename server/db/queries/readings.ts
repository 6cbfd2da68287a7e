import { and, desc, eq, gt, isNotNull, sql } from 'drizzle-orm'
import type { Reading } from '../../../core/speech/limitReason.ts'
import type { Database } from '../handle.ts'
import { event, play } from '../liveSchema.ts'
import { withinLookedThrough } from './events.ts'

/**
 * What viewers wrote that was read aloud since a moment, oldest first; of more than `limit` the newest. Tests do not
 * count.
 */
export async function listReadings(db: Database, channelId: string, since: Date, limit: number): Promise<Reading[]> {
  const rows = await db
    .select({ eventId: play.eventId, speech: play.speech, at: play.enqueuedAt, data: event.data })
    .from(play)
    .innerJoin(event, eq(event.id, play.eventId))
    .where(
      and(eq(event.channelId, channelId), isNotNull(play.speech), eq(play.isTest, false), gt(play.enqueuedAt, since)),
    )
    .orderBy(desc(play.enqueuedAt))
    .limit(limit)
  const byEvent = new Map<string, Reading>()
  for (const { eventId, speech, at, data } of rows.reverse()) {
    const read = speech?.sayings?.find(({ of, outcome }) => of === 'message' && outcome !== 'refused')
    if (read && !byEvent.has(eventId))
      byEvent.set(eventId, { eventId, atMs: at.getTime(), viewerId: data.viewer?.id ?? null, text: read.written })
  }
  return [...byEvent.values()]
}

/** The newest events with which a viewer wrote something, tests left out. */
export async function listWorded(
  db: Database,
  channelId: string,
  limit: number,
): Promise<(typeof event.$inferSelect)[]> {
  return db
    .select()
    .from(event)
    .where(
      and(
        eq(event.channelId, channelId),
        await withinLookedThrough(db, eq(event.channelId, channelId)),
        eq(event.isTest, false),
        sql`(${event.data} -> 'message' ->> 'text' <> '' or ${event.data} ->> 'input' <> '')`,
      ),
    )
    .orderBy(desc(event.seq))
    .limit(limit)
}
