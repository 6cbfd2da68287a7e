import { eq } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { heartbeat } from '../schema.ts'

/** Keeps that a part of the program runs. */
export async function keepBeat(db: Database, id: string, at: Date): Promise<void> {
  await db.insert(heartbeat).values({ id, at }).onConflictDoUpdate({ target: heartbeat.id, set: { at } })
}

/** When it was last known to run; null: never. */
export async function lastBeat(db: Database, id: string): Promise<Date | null> {
  const [row] = await db.select().from(heartbeat).where(eq(heartbeat.id, id)).limit(1)
  return row?.at ?? null
}
