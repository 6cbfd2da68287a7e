import { and, asc, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import { kindsCounted, sumOf, type LikeEvents } from '../../../core/goal/contribution.ts'
import { goal as goalDocument, type Goal } from '../../../core/goal/schema.ts'
import { nothingTold, type ToldGoal } from '../../../core/goal/standing.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../../core/events/schema.ts'
import type { Database } from '../handle.ts'
import { goal, goalCorrection, refund } from '../goalSchema.ts'
import { event } from '../liveSchema.ts'
import { rowsOf } from '../rowsOf.ts'
import { channel } from '../schema.ts'

export type GoalRow = typeof goal.$inferSelect
export type CorrectionRow = typeof goalCorrection.$inferSelect

const own = (channelId: string, id: string) => and(eq(goal.channelId, channelId), eq(goal.id, id))
const checked = (row: GoalRow): GoalRow => ({ ...row, document: goalDocument.parse(row.document) })

/** The goals of a channel: those that go on by when they began, or the past ones, the newest first. */
export async function listGoals(db: Database, channelId: string, which: 'open' | 'past'): Promise<GoalRow[]> {
  const rows = await db
    .select()
    .from(goal)
    .where(and(eq(goal.channelId, channelId), which === 'open' ? isNull(goal.endedAt) : isNotNull(goal.endedAt)))
    .orderBy(which === 'open' ? asc(sql`(document ->> 'fromMs')::bigint`) : desc(goal.endedAt), asc(goal.id))
    .limit(100)
  return rows.map(checked)
}

export async function findGoal(db: Database, channelId: string, id: string): Promise<GoalRow | null> {
  const [row] = await db.select().from(goal).where(own(channelId, id)).limit(1)
  return row ? checked(row) : null
}

/** What events may count in. What happened in time and comes late counts in past goals, too. */
export async function listCountedGoals(db: Database, channelId: string): Promise<Goal[]> {
  const rows = await db.select({ document: goal.document }).from(goal).where(eq(goal.channelId, channelId)).limit(200)
  return rows.map(({ document }) => goalDocument.parse(document))
}

/**
 * Changes what decides what events bring goals. Events on their way are waited for, and what is decided by what was before says
 * so when it is written (see `keepDecided` among the routines): nothing is counted wrong for good.
 */
async function changeBasis<T>(db: Database, channelId: string, change: (tx: Database) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.select({ id: channel.id }).from(channel).where(eq(channel.id, channelId)).for('update')
    await tx
      .update(channel)
      .set({ goalsBasis: sql`goals_basis + 1` })
      .where(eq(channel.id, channelId))
    return change(tx)
  })
}

/** Adds a goal. What happened before counts where it is in its time: added up by whoever looks next. */
export async function addGoal(db: Database, channelId: string, document: Goal): Promise<void> {
  await changeBasis(db, channelId, (tx) =>
    tx
      .insert(goal)
      .values({ channelId, id: document.id, document, told: nothingTold, isStale: true })
      .onConflictDoNothing(),
  )
}

/** @returns false where somebody else has changed it since that revision */
export async function changeGoal(db: Database, channelId: string, document: Goal, revision: number): Promise<boolean> {
  return changeBasis(db, channelId, async (tx) => {
    const changed = await tx
      .update(goal)
      .set({ document, revision: revision + 1, isStale: true })
      .where(and(own(channelId, document.id), eq(goal.revision, revision)))
      .returning({ id: goal.id })
    return changed.length > 0
  })
}

/** Sets what other currencies are worth: whatever a channel's goals have is added up anew. */
export async function setRates(db: Database, channelId: string, rates: Record<string, number>): Promise<void> {
  await changeBasis(db, channelId, async (tx) => {
    await tx.update(channel).set({ rates }).where(eq(channel.id, channelId))
    await tx.update(goal).set({ isStale: true }).where(eq(goal.channelId, channelId))
  })
}

/** Has whoever looks next add up anew what a channel's goals have: events came to be known that nothing was decided about. */
export async function recountGoals(db: Database, channelId: string): Promise<void> {
  await changeBasis(db, channelId, (tx) => tx.update(goal).set({ isStale: true }).where(eq(goal.channelId, channelId)))
}

/** Keeps that what an event brought was given back. @returns false where it was before */
export async function refundEvent(db: Database, channelId: string, eventId: string, at: Date): Promise<boolean> {
  return db.transaction(async (tx) => {
    const added = await tx
      .insert(refund)
      .values({ eventId, channelId, at })
      .onConflictDoNothing()
      .returning({ id: refund.eventId })
    if (added.length > 0) await tx.update(goal).set({ isStale: true }).where(eq(goal.channelId, channelId))
    return added.length > 0
  })
}

export async function setGoalEnded(db: Database, channelId: string, id: string, at: Date | null): Promise<void> {
  await db.update(goal).set({ endedAt: at }).where(own(channelId, id))
}

export async function removeGoal(db: Database, channelId: string, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.delete(goalCorrection).where(and(eq(goalCorrection.channelId, channelId), eq(goalCorrection.goalId, id)))
    await tx.delete(goal).where(own(channelId, id))
  })
}

/** Keeps what was told of a goal. */
export async function tellGoal(
  db: Database,
  channelId: string,
  id: string,
  told: Partial<{ told: ToldGoal; isStartTold: boolean }>,
): Promise<void> {
  await db.update(goal).set(told).where(own(channelId, id))
}

/**
 * What a goal counts, in groups of events that bring the same. Tests are left out. The database groups, the core says what
 * one of each group brings.
 */
async function groupLikeEvents(db: Database, channelId: string, of: Goal): Promise<LikeEvents[]> {
  const kinds = kindsCounted(of.measure)
  const until = of.untilMs === null ? sql`` : sql`and event.occurred_at < ${new Date(of.untilMs).toISOString()}`
  const rows = rowsOf<{
    kind: EventKind
    source: string
    minor: string | null
    currency: string | null
    tier: string | null
    many: string | null
    points: string | null
    party: string | null
    batch: boolean
    refunded: boolean
    count: string | number
  }>(
    await db.execute(sql`
      select event.kind, event.source, event.data ->> 'amountMinor' as minor, event.data ->> 'currency' as currency,
        event.data ->> 'tier' as tier, event.data ->> 'count' as many, event.data ->> 'points' as points,
        event.data ->> 'partySize' as party, coalesce(event.data ->> 'groupId', '') <> '' as batch,
        refund.event_id is not null as refunded, count(*) as count
      from event left join refund on refund.event_id = event.id
      where event.channel_id = ${channelId} and event.kind in ${kinds} and not event.is_test
        and event.occurred_at >= ${new Date(of.fromMs).toISOString()} ${until}
      group by 1, 2, 3, 4, 5, 6, 7, 8, 9, 10`),
  )
  return rows.map((row) => ({
    event: {
      ...{ kind: row.kind, source: row.source, externalId: '', occurredAtMs: of.fromMs },
      data: {
        viewer: null,
        ...(row.minor === null ? {} : { amountMinor: Number(row.minor), currency: row.currency ?? '' }),
        ...(row.tier === null ? {} : { tier: Number(row.tier) }),
        ...(row.many === null ? {} : { count: Number(row.many) }),
        ...(row.points === null ? {} : { points: Number(row.points) }),
        ...(row.party === null ? {} : { partySize: Number(row.party) }),
        groupId: row.batch ? 'batch' : '',
      },
    } as unknown as CanonicalEvent,
    isTest: false,
    isRefunded: row.refunded,
    count: Number(row.count),
  }))
}

/** Goals of a channel that have to be added up anew, past ones too: their ids. */
export async function listStaleGoals(db: Database, channelId: string): Promise<string[]> {
  const rows = await db
    .select({ id: goal.id })
    .from(goal)
    .where(and(eq(goal.channelId, channelId), eq(goal.isStale, true)))
  return rows.map(({ id }) => id)
}

/**
 * Adds up anew what events bring a goal, by rates and by what it counts as they are now. Nothing counts in it meanwhile; what
 * was decided by what was before says so when it is written.
 */
export async function addUpGoal(db: Database, channelId: string, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx.select().from(goal).where(own(channelId, id)).for('update')
    const [known] = await tx
      .select({ currency: channel.currency, rates: channel.rates })
      .from(channel)
      .where(eq(channel.id, channelId))
    if (!row || !known) return
    const { document } = checked(row)
    const sum = sumOf(document, await groupLikeEvents(tx, channelId, document), known)
    await tx.update(goal).set({ sum, isStale: false }).where(own(channelId, id))
  })
}

/** Corrects a goal by hand. @returns false where that was asked for before */
export async function correctGoal(db: Database, correction: CorrectionRow): Promise<boolean> {
  const added = await db
    .insert(goalCorrection)
    .values(correction)
    .onConflictDoNothing()
    .returning({ id: goalCorrection.id })
  return added.length > 0
}

/** The corrections of goals, the newest first. */
export async function listCorrections(
  db: Database,
  channelId: string,
  goalIds: readonly string[],
): Promise<CorrectionRow[]> {
  if (goalIds.length === 0) return []
  return db
    .select()
    .from(goalCorrection)
    .where(and(eq(goalCorrection.channelId, channelId), inArray(goalCorrection.goalId, [...goalIds])))
    .orderBy(desc(goalCorrection.at))
}

/** Events of the kinds and the time of a goal, the newest first, with whether what they brought was given back. */
export async function listCountedEvents(
  db: Database,
  channelId: string,
  of: Goal,
  beforeSeq: number | null,
  most: number,
) {
  return db
    .select({ event, refundedAt: refund.at })
    .from(event)
    .leftJoin(refund, eq(refund.eventId, event.id))
    .where(
      and(
        eq(event.channelId, channelId),
        inArray(event.kind, kindsCounted(of.measure)),
        sql`${event.occurredAt} >= ${new Date(of.fromMs).toISOString()}`,
        of.untilMs === null ? undefined : sql`${event.occurredAt} < ${new Date(of.untilMs).toISOString()}`,
        beforeSeq === null ? undefined : sql`${event.seq} < ${beforeSeq}`,
      ),
    )
    .orderBy(desc(event.seq))
    .limit(most)
}
