import { and, asc, desc, eq, gte, isNull, lt, max, sql } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { delivery, feed } from '../schema.ts'

export type FeedRow = typeof feed.$inferSelect

export async function findFeed(db: Database, id: string): Promise<FeedRow | null> {
  const [row] = await db.select().from(feed).where(eq(feed.id, id)).limit(1)
  return row ?? null
}

/** The feed of an account, whether it is linked now or was once. */
export async function findFeedOfAccount(
  db: Database,
  channelId: string,
  platform: string,
  account: string,
): Promise<FeedRow | null> {
  const [row] = await db
    .select()
    .from(feed)
    .where(and(eq(feed.channelId, channelId), eq(feed.platform, platform), eq(feed.account, account)))
    .limit(1)
  return row ?? null
}

export async function updateFeed(
  db: Database,
  id: string,
  set: Partial<Pick<FeedRow, 'secret' | 'unlinkedAt'>>,
): Promise<void> {
  await db.update(feed).set(set).where(eq(feed.id, id))
}

/** Every feed that the channel ever had; what an unlinked one said stays. */
export async function listFeeds(db: Database, channelId: string): Promise<FeedRow[]> {
  return db.select().from(feed).where(eq(feed.channelId, channelId)).orderBy(asc(feed.platform), asc(feed.id))
}

/** How many feeds of a channel are heard, and when one of them delivered last. */
export async function readFeedState(
  db: Database,
  channelId: string,
): Promise<{ linked: number; lastDeliveryAtMs: number | null }> {
  const [row] = await db
    .select({
      linked: sql<number>`count(*) filter (where ${feed.unlinkedAt} is null)`.mapWith(Number),
      last: max(feed.lastDeliveryAt),
    })
    .from(feed)
    .where(eq(feed.channelId, channelId))
  return { linked: row?.linked ?? 0, lastDeliveryAtMs: row?.last?.getTime() ?? null }
}

/** Keeps how many watch where a feed comes from. */
export async function setWatching(db: Database, id: string, watching: number, at: Date): Promise<void> {
  await db.update(feed).set({ watching, watchingAt: at }).where(eq(feed.id, id))
}

/** How many watch a channel, as its feeds have said since then; what none of them says is none. */
export async function countWatching(db: Database, channelId: string, since: Date): Promise<number> {
  const [row] = await db
    .select({ sum: sql<string>`coalesce(sum(${feed.watching}), 0)` })
    .from(feed)
    .where(and(eq(feed.channelId, channelId), isNull(feed.unlinkedAt), gte(feed.watchingAt, since)))
  return Number(row?.sum ?? 0)
}

export async function addFeed(db: Database, row: typeof feed.$inferInsert): Promise<void> {
  await db.insert(feed).values(row)
}

export async function tallyRefused(db: Database, id: string): Promise<void> {
  await db
    .update(feed)
    .set({ refusedCount: sql`${feed.refusedCount} + 1` })
    .where(eq(feed.id, id))
}

/** Deliveries kept per feed; the oldest go first. */
const keptDeliveries = 200

export async function keepDelivery(db: Database, row: typeof delivery.$inferInsert): Promise<void> {
  await db.insert(delivery).values(row)
  const [oldest] = await db
    .select({ receivedAt: delivery.receivedAt })
    .from(delivery)
    .where(eq(delivery.feedId, row.feedId))
    .orderBy(desc(delivery.receivedAt))
    .offset(keptDeliveries)
    .limit(1)
  if (oldest)
    await db.delete(delivery).where(and(eq(delivery.feedId, row.feedId), lt(delivery.receivedAt, oldest.receivedAt)))
}

/** Deliveries that were signed but not understood, newest first. */
export async function listKeptDeliveries(db: Database, feedId: string, limit: number) {
  return db.select().from(delivery).where(eq(delivery.feedId, feedId)).orderBy(desc(delivery.receivedAt)).limit(limit)
}
