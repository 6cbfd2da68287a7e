import { eq } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { effect } from '../liveSchema.ts'

/** Its event's place in the history comes to be with the event. */
export type EffectRow = Omit<typeof effect.$inferSelect, 'eventSeq'>

export async function findEffect(db: Database, id: string): Promise<EffectRow | null> {
  const [row] = await db.select().from(effect).where(eq(effect.id, id)).limit(1)
  return row ?? null
}
