import { and, asc, count, desc, eq, inArray, lt, or } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { intake } from '../schema.ts'

export type IntakeRow = typeof intake.$inferSelect

/** @returns false when it was there already: the end of one upload is told once */
export async function addIntake(db: Database, row: typeof intake.$inferInsert): Promise<boolean> {
  return (await db.insert(intake).values(row).onConflictDoNothing().returning({ id: intake.id })).length > 0
}

export async function changeIntake(db: Database, id: string, changes: Partial<IntakeRow>): Promise<void> {
  await db.update(intake).set(changes).where(eq(intake.id, id))
}

/** Takes the oldest file that waits, for measuring. One process per database: no two take the same. */
export async function takeWaiting(db: Database): Promise<IntakeRow | null> {
  const [next] = await db
    .select()
    .from(intake)
    .where(eq(intake.state, 'waiting'))
    .orderBy(asc(intake.arrivedAt))
    .limit(1)
  if (next) await changeIntake(db, next.id, { state: 'measuring' })
  return next ?? null
}

/** What was being measured when the server stopped waits again. */
export async function requeueMeasuring(db: Database): Promise<void> {
  await db.update(intake).set({ state: 'waiting' }).where(eq(intake.state, 'measuring'))
}

export async function countWaiting(db: Database, channelId: string): Promise<number> {
  const [row] = await db
    .select({ count: count() })
    .from(intake)
    .where(and(eq(intake.channelId, channelId), inArray(intake.state, ['waiting', 'measuring'])))
  return row?.count ?? 0
}

/** Files on their way, the newest first; those that arrived in the library are only listed for a while. */
export async function listIntake(db: Database, channelId: string, readySince: Date): Promise<IntakeRow[]> {
  const rows = await db
    .select()
    .from(intake)
    .where(eq(intake.channelId, channelId))
    .orderBy(desc(intake.arrivedAt))
    .limit(200)
  return rows.filter((row) => row.state !== 'ready' || row.arrivedAt > readySince)
}

export async function removeIntake(db: Database, channelId: string, id: string): Promise<boolean> {
  const done = or(eq(intake.state, 'ready'), eq(intake.state, 'refused'))
  return (
    (
      await db
        .delete(intake)
        .where(and(eq(intake.channelId, channelId), eq(intake.id, id), done))
        .returning({ id: intake.id })
    ).length > 0
  )
}

export async function forgetOldIntake(db: Database, before: Date): Promise<void> {
  await db.delete(intake).where(and(lt(intake.arrivedAt, before), inArray(intake.state, ['ready', 'refused'])))
}
