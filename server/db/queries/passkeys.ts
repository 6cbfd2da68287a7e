import { and, desc, eq } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { passkey } from '../peopleSchema.ts'

export type PasskeyRow = typeof passkey.$inferSelect

/** A person's passkeys, the newest first. */
export const listPasskeys = (db: Database, personId: string): Promise<PasskeyRow[]> =>
  db.select().from(passkey).where(eq(passkey.personId, personId)).orderBy(desc(passkey.madeAt))

export async function addPasskey(db: Database, row: typeof passkey.$inferInsert): Promise<void> {
  await db.insert(passkey).values(row)
}

export async function findPasskey(db: Database, id: string): Promise<PasskeyRow | null> {
  const [found] = await db.select().from(passkey).where(eq(passkey.id, id))
  return found ?? null
}

/** What a device counted to, and that it was used. */
export async function notePasskeyUse(db: Database, id: string, counter: number, at: Date): Promise<void> {
  await db.update(passkey).set({ counter, usedAt: at }).where(eq(passkey.id, id))
}

export async function removePasskey(db: Database, personId: string, id: string): Promise<void> {
  await db.delete(passkey).where(and(eq(passkey.personId, personId), eq(passkey.id, id)))
}
