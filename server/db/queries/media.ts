import { and, asc, eq, isNotNull, isNull, lt, or, sql } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { media } from '../schema.ts'

export type MediaRow = typeof media.$inferSelect

/** What lies in the library. */
export async function listMedia(db: Database, channelId: string): Promise<MediaRow[]> {
  return db
    .select()
    .from(media)
    .where(and(eq(media.channelId, channelId), isNull(media.deletedAt)))
    .orderBy(asc(media.kind), asc(media.name))
}

/** Everything that plays may refer to: what was deleted plays on where it was put on air. */
export async function listPlayableMedia(db: Database, channelId: string): Promise<MediaRow[]> {
  return db.select().from(media).where(eq(media.channelId, channelId))
}

/** The file's facts in whichever channel has it: its address is its content. */
export async function findMedia(db: Database, id: string): Promise<MediaRow | null> {
  const [row] = await db.select().from(media).where(eq(media.id, id)).limit(1)
  return row ?? null
}

/**
 * The small picture of a file. Several channels, and the shelf, may have the same file, and not all of them have its
 * pictures yet: they are the same for all.
 */
export async function findSmallPicture(
  db: Database,
  id: string,
  which: 'posterId' | 'stripId',
): Promise<string | null> {
  const [row] = await db
    .select({ pictureId: media[which] })
    .from(media)
    .where(and(eq(media.id, id), isNotNull(media[which])))
    .limit(1)
  return row?.pictureId ?? null
}

export async function findOwnMedia(db: Database, channelId: string, id: string): Promise<MediaRow | null> {
  const [row] = await db
    .select()
    .from(media)
    .where(and(eq(media.channelId, channelId), eq(media.id, id)))
    .limit(1)
  return row ?? null
}

/** Adds a file, or brings back the one that was deleted. @returns whether it was there already */
export async function addMedia(db: Database, row: typeof media.$inferInsert): Promise<boolean> {
  const added = await db.insert(media).values(row).onConflictDoNothing().returning({ id: media.id })
  if (added.length === 0) await setMediaDeleted(db, row.channelId, row.id, null)
  return added.length === 0
}

export async function changeMedia(
  db: Database,
  channelId: string,
  id: string,
  changes: Partial<typeof media.$inferInsert>,
): Promise<MediaRow | null> {
  const [changed] = await db
    .update(media)
    .set(changes)
    .where(and(eq(media.channelId, channelId), eq(media.id, id)))
    .returning()
  return changed ?? null
}

/** @returns whether there is such a file */
export async function setMediaDeleted(
  db: Database,
  channelId: string,
  id: string,
  deletedAt: Date | null,
): Promise<boolean> {
  const changed = await db
    .update(media)
    .set({ deletedAt })
    .where(and(eq(media.channelId, channelId), eq(media.id, id)))
    .returning({ id: media.id })
  return changed.length > 0
}

/** Files that no measuring of today has seen. */
export async function listUnmeasured(db: Database, measuredBy: number, limit: number): Promise<MediaRow[]> {
  return db
    .select()
    .from(media)
    .where(and(lt(media.measuredBy, measuredBy), isNull(media.deletedAt)))
    .orderBy(asc(media.addedAt))
    .limit(limit)
}

/** Files that were deleted before a moment, in any channel. */
export async function listDeletedBefore(db: Database, moment: Date): Promise<MediaRow[]> {
  return db.select().from(media).where(lt(media.deletedAt, moment))
}

/** Whether anything refers to a stored file: as itself, or as a picture of another. */
export async function isFileReferenced(db: Database, id: string): Promise<boolean> {
  const [used] = await db
    .select({ one: sql`1` })
    .from(media)
    .where(or(eq(media.id, id), eq(media.posterId, id), eq(media.stripId, id)))
    .limit(1)
  return used !== undefined
}

/** Forgets a file of one channel. @returns the stored files that it referred to; others may still do */
export async function forgetMedia(db: Database, row: MediaRow): Promise<(string | null)[]> {
  await db.delete(media).where(and(eq(media.channelId, row.channelId), eq(media.id, row.id)))
  return [row.id, row.posterId, row.stripId]
}
