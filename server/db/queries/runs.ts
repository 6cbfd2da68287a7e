import { and, asc, desc, eq, inArray, ne, sql } from 'drizzle-orm'
import { memberships, standingOf, type Standing } from '../../../core/gate/standing.ts'
import type { GateState, Reservation, ViewerUses } from '../../../core/gate/state.ts'
import type { StudioState } from '../../../core/studio/studio.ts'
import type { DoneStep, PointsChange, RunEnd, RunProgress, RunTask } from '../../../contract/triggers.ts'
import type { Database } from '../handle.ts'
import { event, effect, play } from '../liveSchema.ts'
import { settleCalls as routine } from '../callRoutines.ts'
import { rowsOf } from '../rowsOf.ts'
import { balance, counter, gateState, gateUses, pointsEntry, run, studio } from '../triggerSchema.ts'
import type { LaneHold } from './playRecords.ts'

export type RunRow = typeof run.$inferSelect

/** What changed about a run. Absent fields stay as they are. */
export interface RunRecord {
  id: string
  progress?: RunProgress
  end?: RunEnd
  reason?: string
  /** Null: nothing has to be given back any more. */
  reserved?: Reservation | null
  startedAt?: Date
  endedAt?: Date
  done?: readonly DoneStep[]
  task?: RunTask
}

/** Everything that is to be written about what viewers of a channel asked for. */
export interface CallRecords {
  states: { triggerId: string; state: GateState }[]
  uses: { triggerId: string; viewerId: string; uses: ViewerUses }[]
  entries: (PointsChange & { at: Date })[]
  counters: { name: string; value: number }[]
  runs: RunRecord[]
  studio: StudioState | null
}

/** Writes it in one call; see `settleCalls` among the routines. @returns false where the lane is another's by now */
export async function settleCalls(
  db: Database,
  channelId: string,
  { lane, epoch }: LaneHold,
  records: CallRecords,
): Promise<boolean> {
  const answer = await db.execute(
    sql`select ${sql.raw(routine.name)}(${channelId}, ${lane}, ${epoch}, ${JSON.stringify(records)}::jsonb) as held`,
  )
  return rowsOf<{ held: boolean }>(answer)[0]?.held ?? false
}

/** Runs that nobody has asked the gate for yet, the earliest first. */
export async function listAsked(db: Database, channelId: string, most: number): Promise<RunRow[]> {
  return db
    .select()
    .from(run)
    .where(and(eq(run.channelId, channelId), ne(run.progress, 'over'), eq(run.progress, 'asked')))
    .orderBy(asc(run.seq))
    .limit(most)
}

/** Runs that were let through and are not over. */
export async function listOpenRuns(db: Database, channelId: string): Promise<RunRow[]> {
  return db
    .select()
    .from(run)
    .where(and(eq(run.channelId, channelId), ne(run.progress, 'over'), ne(run.progress, 'asked')))
    .orderBy(asc(run.seq))
}

export async function findRun(db: Database, channelId: string, id: string): Promise<RunRow | null> {
  const [row] = await db
    .select()
    .from(run)
    .where(and(eq(run.channelId, channelId), eq(run.id, id)))
    .limit(1)
  return row ?? null
}

/** The newest runs of a channel, and those that wait for somebody's hands. */
export async function listRuns(db: Database, channelId: string, most: number): Promise<RunRow[]> {
  return db.select().from(run).where(eq(run.channelId, channelId)).orderBy(desc(run.seq)).limit(most)
}

export async function listTasks(db: Database, channelId: string): Promise<RunRow[]> {
  return db
    .select()
    .from(run)
    .where(and(eq(run.channelId, channelId), sql`${run.task} = 'waiting'`))
    .orderBy(asc(run.seq))
    .limit(100)
}

/** Runs that were paid for on a platform and ended lately. */
export async function listPaidOver(db: Database, channelId: string, since: Date): Promise<RunRow[]> {
  return db
    .select()
    .from(run)
    .where(
      and(
        eq(run.channelId, channelId),
        eq(run.progress, 'over'),
        eq(run.isPaid, true),
        sql`${run.askedAt} > ${since.toISOString()}::timestamptz`,
      ),
    )
    .orderBy(asc(run.seq))
    .limit(500)
}

/** Says what became of what was to be done by hand. @returns false where somebody has said so before */
export async function setTask(db: Database, channelId: string, id: string, task: RunTask): Promise<boolean> {
  const rows = await db
    .update(run)
    .set({ task })
    .where(and(eq(run.channelId, channelId), eq(run.id, id), eq(run.task, 'waiting')))
    .returning({ id: run.id })
  return rows.length > 0
}

/** When each trigger ran last. */
export async function listLastRuns(db: Database, channelId: string): Promise<Map<string, number>> {
  const rows = await db
    .select({ id: run.triggerId, at: sql<string | Date>`max(${run.startedAt})` })
    .from(run)
    .where(eq(run.channelId, channelId))
    .groupBy(run.triggerId)
  return new Map(rows.flatMap(({ id, at }) => (at ? [[id, new Date(at).getTime()] as const] : [])))
}

export async function readGateStates(db: Database, channelId: string): Promise<Map<string, GateState>> {
  const rows = await db.select().from(gateState).where(eq(gateState.channelId, channelId))
  return new Map(rows.map(({ triggerId, state }) => [triggerId, state]))
}

export async function readUses(
  db: Database,
  channelId: string,
  viewerIds: readonly string[],
): Promise<{ triggerId: string; viewerId: string; uses: ViewerUses }[]> {
  if (viewerIds.length === 0) return []
  return db
    .select({ triggerId: gateUses.triggerId, viewerId: gateUses.viewerId, uses: gateUses.uses })
    .from(gateUses)
    .where(and(eq(gateUses.channelId, channelId), inArray(gateUses.viewerId, [...viewerIds])))
}

export async function readBalances(
  db: Database,
  channelId: string,
  viewerIds: readonly string[],
): Promise<Map<string, number>> {
  if (viewerIds.length === 0) return new Map()
  const rows = await db
    .select({ id: balance.viewerId, points: balance.points })
    .from(balance)
    .where(and(eq(balance.channelId, channelId), inArray(balance.viewerId, [...viewerIds])))
  return new Map(rows.map(({ id, points }) => [id, points]))
}

/** An entry of the ledger by what it is for. */
export async function findEntry(db: Database, channelId: string, reference: string) {
  const [row] = await db
    .select()
    .from(pointsEntry)
    .where(and(eq(pointsEntry.channelId, channelId), eq(pointsEntry.reference, reference)))
    .limit(1)
  return row ?? null
}

export async function readCounters(db: Database, channelId: string): Promise<Map<string, number>> {
  const rows = await db.select().from(counter).where(eq(counter.channelId, channelId))
  return new Map(rows.map(({ name, value }) => [name, value]))
}

/** A subscription counts for so long after it was heard of. */
const countsForMs = 35 * 86_400_000

/** Since how many months viewers are subscribed, and on which tier, as their feeds said last. */
export async function readStandings(
  db: Database,
  channelId: string,
  viewers: readonly { source: string; id: string }[],
  nowMs: number,
): Promise<Map<string, Standing>> {
  if (viewers.length === 0) return new Map()
  const rows = await db
    .select({ source: event.source, data: event.data })
    .from(event)
    .where(
      and(
        eq(event.channelId, channelId),
        inArray(event.kind, [...memberships]),
        inArray(sql`(data -> 'viewer' ->> 'id')`, [...new Set(viewers.map(({ id }) => id))]),
        sql`${event.occurredAt} > ${new Date(nowMs - countsForMs).toISOString()}::timestamptz`,
        eq(event.isTest, false),
      ),
    )
    .orderBy(asc(event.occurredAt))
  return new Map(rows.map(({ source, data }) => [`${source}/${data.viewer?.id ?? ''}`, standingOf({ data })]))
}

/** How far the alerts of a run are. */
export async function readPlaysOf(db: Database, ids: readonly string[]) {
  if (ids.length === 0) return []
  return db
    .select({
      id: play.id,
      state: play.state,
      startedAt: play.startedAt,
      outcome: effect.outcome,
      reason: effect.reason,
    })
    .from(play)
    .innerJoin(effect, eq(effect.id, play.id))
    .where(inArray(play.id, [...ids]))
}

export type StudioRow = typeof studio.$inferSelect

export async function findStudio(db: Database, channelId: string): Promise<StudioRow | null> {
  const [row] = await db.select().from(studio).where(eq(studio.channelId, channelId)).limit(1)
  return row ?? null
}

/** Gives a channel the secret of its studio link, where it has none, or another one. @returns the one that it has now */
export async function setStudioSecret(
  db: Database,
  channelId: string,
  secret: string,
  isReplaced: boolean,
): Promise<string> {
  await db
    .insert(studio)
    .values({ channelId, secret })
    .onConflictDoUpdate({ target: studio.channelId, set: isReplaced ? { secret } : { secret: studio.secret } })
  return (await findStudio(db, channelId))?.secret ?? secret
}
