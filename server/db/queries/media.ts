import { asc, eq } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { media } from '../schema.ts'

export type MediaRow = typeof media.$inferSelect

export async function listMedia(db: Database, channelId: string): Promise<MediaRow[]> {
  return db.select().from(media).where(eq(media.channelId, channelId)).orderBy(asc(media.kind), asc(media.name))
}

/** The file's facts in whichever channel has it: its address is its content. */
export async function findMedia(db: Database, id: string): Promise<MediaRow | null> {
  const [row] = await db.select().from(media).where(eq(media.id, id)).limit(1)
  return row ?? null
}

export async function addMedia(db: Database, row: MediaRow): Promise<void> {
  await db.insert(media).values(row).onConflictDoNothing()
}
