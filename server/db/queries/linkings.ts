import { and, eq, isNull, lt } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { linking } from '../schema.ts'

export type LinkingRow = typeof linking.$inferSelect

export async function addLinking(db: Database, row: typeof linking.$inferInsert, now: Date): Promise<void> {
  // A day is long enough for whoever asks what became of it.
  await db.delete(linking).where(lt(linking.expiresAt, new Date(now.getTime() - 86_400_000)))
  await db.insert(linking).values(row)
}

export async function findLinking(db: Database, id: string): Promise<LinkingRow | null> {
  const [row] = await db.select().from(linking).where(eq(linking.id, id)).limit(1)
  return row ?? null
}

/** Takes a linking that nobody has finished yet; of two that try, one gets it. Its time is up with that. */
export async function takeLinking(
  db: Database,
  id: string,
  now: Date,
  isMeant: (row: LinkingRow) => boolean,
): Promise<LinkingRow | null> {
  const row = await findLinking(db, id)
  if (!row || !isMeant(row) || row.feedId !== null || row.expiresAt <= now) return null
  const taken = await db
    .update(linking)
    .set({ expiresAt: now })
    .where(and(eq(linking.id, id), eq(linking.expiresAt, row.expiresAt), isNull(linking.feedId)))
    .returning({ id: linking.id })
  return taken.length > 0 ? row : null
}

export async function setLinkedFeed(db: Database, id: string, feedId: string): Promise<void> {
  await db.update(linking).set({ feedId }).where(eq(linking.id, id))
}
