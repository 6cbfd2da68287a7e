import { and, asc, count, desc, eq, inArray, isNull, lt, notInArray, or } from 'drizzle-orm'
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

/** Takes the oldest file that waits, for measuring. No two nodes take the same. */
export async function takeWaiting(db: Database, nodeId: string): Promise<IntakeRow | null> {
  return db.transaction(async (tx) => {
    const [next] = await tx
      .select()
      .from(intake)
      .where(eq(intake.state, 'waiting'))
      .orderBy(asc(intake.arrivedAt))
      .limit(1)
      .for('update', { skipLocked: true })
    if (next) await changeIntake(tx, next.id, { state: 'measuring', takenBy: nodeId })
    return next ?? null
  })
}

/** What was being measured by nodes that are gone waits again. @returns whether there was any */
export async function requeueMeasuring(db: Database, alive: readonly string[]): Promise<boolean> {
  const isOrphaned = or(isNull(intake.takenBy), notInArray(intake.takenBy, [...alive]))
  const changed = await db
    .update(intake)
    .set({ state: 'waiting' })
    .where(and(eq(intake.state, 'measuring'), isOrphaned))
    .returning({ id: intake.id })
  return changed.length > 0
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
