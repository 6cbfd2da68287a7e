import { and, count, desc, eq } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { apiKey, channel } from '../schema.ts'

export type KeyRow = typeof apiKey.$inferSelect

export async function addApiKey(db: Database, row: typeof apiKey.$inferInsert): Promise<KeyRow> {
  const [made] = await db.insert(apiKey).values(row).returning()
  if (!made) throw new Error('addApiKey: nothing was written')
  return made
}

/** A key by its hash, with its channel. */
export async function findApiKey(db: Database, hash: string) {
  const [row] = await db
    .select({ key: apiKey, channel })
    .from(apiKey)
    .innerJoin(channel, eq(channel.id, apiKey.channelId))
    .where(eq(apiKey.hash, hash))
    .limit(1)
  return row ?? null
}

/** The keys of a channel, the newest first. */
export const listKeys = (db: Database, channelId: string): Promise<KeyRow[]> =>
  db.select().from(apiKey).where(eq(apiKey.channelId, channelId)).orderBy(desc(apiKey.madeAt), desc(apiKey.id))

export async function countKeys(db: Database, channelId: string): Promise<number> {
  const [found] = await db.select({ keys: count() }).from(apiKey).where(eq(apiKey.channelId, channelId))
  return found?.keys ?? 0
}

/** Ends a key: from now on it is not known. @returns it as it was; null where there was none */
export async function removeKey(db: Database, channelId: string, id: string): Promise<KeyRow | null> {
  const [gone] = await db
    .delete(apiKey)
    .where(and(eq(apiKey.channelId, channelId), eq(apiKey.id, id)))
    .returning()
  return gone ?? null
}

export async function noteKeyUse(db: Database, hash: string, at: Date): Promise<void> {
  await db.update(apiKey).set({ usedAt: at }).where(eq(apiKey.hash, hash))
}
