import { and, asc, eq, sql } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { channel } from '../schema.ts'
import { standIn } from '../triggerSchema.ts'

export type StandInKind = (typeof standIn.$inferSelect)['kind']

const own = (feedId: string, kind: StandInKind, id: string) =>
  and(eq(standIn.feedId, feedId), eq(standIn.kind, kind), eq(standIn.id, id))

export async function listStandIns(db: Database, feedId: string, kind: StandInKind, most: number) {
  return db
    .select()
    .from(standIn)
    .where(and(eq(standIn.feedId, feedId), eq(standIn.kind, kind)))
    .orderBy(asc(standIn.at), asc(standIn.id))
    .limit(most)
}

export async function findStandIn(db: Database, feedId: string, kind: StandInKind, id: string) {
  const [row] = await db
    .select()
    .from(standIn)
    .where(own(feedId, kind, id))
    .limit(1)
  return row ?? null
}

export async function addStandIn(
  db: Database,
  feedId: string,
  kind: StandInKind,
  id: string,
  content: Record<string, unknown>,
): Promise<void> {
  await db.insert(standIn).values({ feedId, kind, id, content }).onConflictDoNothing()
}

/** Changes some of it. @returns what it is then; null where there is none */
export async function changeStandIn(
  db: Database,
  feedId: string,
  kind: StandInKind,
  id: string,
  fields: Record<string, unknown>,
) {
  const [row] = await db
    .update(standIn)
    .set({ content: sql`${standIn.content} || ${JSON.stringify(fields)}::jsonb` })
    .where(own(feedId, kind, id))
    .returning()
  return row ?? null
}

export async function removeStandIn(db: Database, feedId: string, kind: StandInKind, id: string): Promise<boolean> {
  const rows = await db
    .delete(standIn)
    .where(own(feedId, kind, id))
    .returning({ id: standIn.id })
  return rows.length > 0
}

/** What of a kind is more than is kept goes, the oldest first. */
export async function trimStandIns(db: Database, feedId: string, kind: StandInKind, kept: number): Promise<void> {
  await db.execute(sql`delete from stand_in where feed_id = ${feedId} and kind = ${kind} and id not in (
    select id from stand_in where feed_id = ${feedId} and kind = ${kind} order by at desc limit ${kept}
  )`)
}

/** Whether any channel of this server has its stand-ins switched on. */
export async function hasStandIns(db: Database): Promise<boolean> {
  const rows = await db.select({ id: channel.id }).from(channel).where(eq(channel.hasStandIns, true)).limit(1)
  return rows.length > 0
}

export async function setStandIns(db: Database, channelId: string, isOn: boolean): Promise<void> {
  await db.update(channel).set({ hasStandIns: isOn }).where(eq(channel.id, channelId))
}
