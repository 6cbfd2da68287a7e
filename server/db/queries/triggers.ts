import { and, asc, eq, inArray, isNotNull, isNull, max, sql } from 'drizzle-orm'
import type { CallSettings } from '../../../core/triggers/settings.ts'
import { trigger as triggerSchema, type Trigger } from '../../../core/triggers/schema.ts'
import type { Database } from '../handle.ts'
import { channel } from '../schema.ts'
import { trigger } from '../triggerSchema.ts'

export type TriggerRow = typeof trigger.$inferSelect

const own = (channelId: string, id: string) => and(eq(trigger.channelId, channelId), eq(trigger.id, id))

/** The triggers of a channel in their order, without those that are put away. */
export async function listTriggerRows(db: Database, channelId: string): Promise<TriggerRow[]> {
  return db
    .select()
    .from(trigger)
    .where(and(eq(trigger.channelId, channelId), isNull(trigger.putAwayAt)))
    .orderBy(asc(trigger.position), asc(trigger.id))
}

export async function listTriggers(db: Database, channelId: string): Promise<Trigger[]> {
  return (await listTriggerRows(db, channelId)).map(({ document }) => triggerSchema.parse(document))
}

export async function findTrigger(db: Database, channelId: string, id: string): Promise<TriggerRow | null> {
  const [row] = await db.select().from(trigger).where(own(channelId, id)).limit(1)
  return row ?? null
}

export async function listTriggersPutAway(db: Database, channelId: string): Promise<TriggerRow[]> {
  return db
    .select()
    .from(trigger)
    .where(and(eq(trigger.channelId, channelId), isNotNull(trigger.putAwayAt)))
    .orderBy(sql`${trigger.putAwayAt} desc`)
    .limit(20)
}

/** Adds a trigger behind the others. */
export async function addTrigger(db: Database, channelId: string, document: Trigger): Promise<void> {
  const [last] = await db
    .select({ position: max(trigger.position) })
    .from(trigger)
    .where(eq(trigger.channelId, channelId))
  await db
    .insert(trigger)
    .values({ channelId, id: document.id, document, position: (last?.position ?? -1) + 1 })
    .onConflictDoNothing()
}

/** @returns false where somebody else has changed it since that revision */
export async function changeTrigger(
  db: Database,
  channelId: string,
  document: Trigger,
  revision: number,
): Promise<boolean> {
  const changed = await db
    .update(trigger)
    .set({ document, revision: revision + 1 })
    .where(and(own(channelId, document.id), eq(trigger.revision, revision)))
    .returning({ id: trigger.id })
  return changed.length > 0
}

export async function setTriggerAway(db: Database, channelId: string, id: string, at: Date | null): Promise<void> {
  await db.update(trigger).set({ putAwayAt: at }).where(own(channelId, id))
}

/** Puts triggers into an order; those that are not named stay behind them. */
export async function orderTriggers(db: Database, channelId: string, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return
  const places = sql.join(
    ids.map((id, at) => sql`when ${id} then ${at}::integer`),
    sql` `,
  )
  await db
    .update(trigger)
    .set({ position: sql`case ${trigger.id} ${places} end` })
    .where(and(eq(trigger.channelId, channelId), inArray(trigger.id, [...ids])))
}

export async function setCallSettings(db: Database, channelId: string, calls: CallSettings): Promise<void> {
  await db.update(channel).set({ calls }).where(eq(channel.id, channelId))
}
