import { and, asc, desc, eq, gt, inArray, isNotNull, notExists, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { CanonicalEvent } from '../../../core/events/schema.ts'
import { calledEvent } from '../../../core/triggers/calledEvent.ts'
import type { PlaySpeech } from '../../../contract/speech.ts'
import type { Database } from '../handle.ts'
import { laneOfBox } from '../../../core/response/lane.ts'
import { effect, event, play } from '../liveSchema.ts'
import type { EffectRow } from './effects.ts'

export type PlayRow = typeof play.$inferSelect
/** A play with its event, and what became of it. */
export type PlayWithEvent = PlayRow &
  Pick<EffectRow, 'outcome' | 'reason' | 'outcomeAt'> & { event: typeof event.$inferSelect }

/** Word for word as the indexes have it: of anything else a kept plan could not know that they apply. */
const isOpen = sql`${play.state} <> 'over'`
const isSettled = sql`${effect.outcome} <> 'off'`

const joined = (db: Database) =>
  db
    .select({ play, effect: { outcome: effect.outcome, reason: effect.reason, outcomeAt: effect.outcomeAt }, event })
    .from(effect)
    .innerJoin(play, eq(play.id, effect.id))
    .innerJoin(event, eq(event.id, effect.eventId))
type Joined = Awaited<ReturnType<typeof joined>>[number]
const asOne = (row: Joined): PlayWithEvent => ({ ...row.play, ...row.effect, event: shownFor(row) })

/** What a play is shown for: where a run sheet plays it, its event as if somebody had redeemed something. */
function shownFor({ play: { called }, event: of }: Joined): typeof event.$inferSelect {
  if (!called) return of
  const { kind, data } = calledEvent(
    { ...of, occurredAtMs: of.occurredAt.getTime() } as unknown as CanonicalEvent,
    called,
  )
  return { ...of, kind, data }
}

/** Adds a play that somebody asked for once more, with its effect. All of it or nothing. @returns false where it is there already */
export async function insertAgain(
  db: Database,
  row: PlayRow,
  like: Pick<EffectRow, 'channelId' | 'decided' | 'why'>,
  ended: Partial<Pick<EffectRow, 'outcome' | 'reason' | 'outcomeAt'>> = {},
): Promise<boolean> {
  const { id, eventId, boxId } = row
  return db.transaction(async (tx) => {
    const caused = { ...like, ...ended, id, eventId, lane: laneOfBox(boxId), kind: 'alert' as const, isAgain: true }
    // The same play again is the same play.
    await tx.insert(effect).values(caused).onConflictDoNothing()
    const added = await tx.insert(play).values(row).onConflictDoNothing().returning({ id: play.id })
    return added.length > 0
  })
}

/** Plays that have not ended, in order of arrival. */
export async function listOpenPlays(db: Database, boxId: string): Promise<PlayRow[]> {
  return db
    .select()
    .from(play)
    .where(and(eq(play.boxId, boxId), isOpen))
    .orderBy(asc(play.enqueuedAt), asc(play.id))
}

/** So much of a flood is looked at. */
const floodMost = 5_000

/** What came to a box within the hour before the last that came, in its order: no tests, and nothing that was asked for once more. */
export async function listFlood(
  db: Database,
  boxId: string,
): Promise<Pick<PlayRow, 'id' | 'enqueuedAt' | 'lengthMs' | 'facts'>[]> {
  const { id, enqueuedAt, lengthMs, facts } = play
  const own = and(eq(play.boxId, boxId), eq(play.isTest, false), isNotNull(facts), eq(effect.isAgain, false))
  const [last] = await db
    .select({ enqueuedAt })
    .from(play)
    .innerJoin(effect, eq(effect.id, id))
    .where(own)
    .orderBy(desc(enqueuedAt))
    .limit(1)
  if (!last) return []
  return db
    .select({ id, enqueuedAt, lengthMs, facts })
    .from(play)
    .innerJoin(effect, eq(effect.id, id))
    .where(and(own, gt(enqueuedAt, new Date(last.enqueuedAt.getTime() - 3_600_000))))
    .orderBy(asc(enqueuedAt), asc(id))
    .limit(floodMost)
}

/** So many are played once more at once. */
const expiredMost = 200

/** Plays of a box that were let go since a moment and not asked for again, in the order in which they came. */
export async function listExpired(db: Database, boxId: string, since: Date): Promise<PlayWithEvent[]> {
  const later = alias(play, 'later')
  const rows = await joined(db)
    .where(
      and(
        eq(effect.lane, laneOfBox(boxId)),
        isSettled,
        eq(effect.outcome, 'expired'),
        gt(effect.outcomeAt, since),
        eq(play.isTest, false),
        notExists(
          db
            .select({ id: later.id })
            .from(later)
            .where(and(eq(later.eventId, play.eventId), eq(later.boxId, boxId), gt(later.enqueuedAt, play.enqueuedAt))),
        ),
      ),
    )
    .orderBy(asc(play.enqueuedAt), asc(play.id))
    .limit(expiredMost)
  return rows.map(asOne)
}

/** What was taken in by a play that has not ended. */
export interface Members {
  /** Those that are shown with it. */
  count: number
  /** What they bring together; null: nothing that adds up. */
  total: number | null
  /** Who received one of its gifts. */
  brought: number
}

/** What the open plays of a box have taken in, by play. */
export async function listMembers(db: Database, boxId: string): Promise<Map<string, Members>> {
  const head = alias(play, 'head')
  const isGift = sql`${play.facts} ->> 'kind' = 'giftRecipient'`
  const rows = await db
    .select({
      id: head.id,
      count: sql<number>`(count(*) filter (where not coalesce(${isGift}, false)))::int`,
      total: sql<
        number | null
      >`(sum((${play.facts} ->> 'amount')::numeric) filter (where not coalesce(${isGift}, false)))::float8`,
      brought: sql<number>`(count(*) filter (where coalesce(${isGift}, false)))::int`,
    })
    .from(play)
    .innerJoin(head, eq(play.mergedInto, head.id))
    .where(and(isNotNull(play.mergedInto), eq(head.boxId, boxId), sql`${head.state} <> 'over'`))
    .groupBy(head.id)
  return new Map(rows.map(({ id, ...members }) => [id, members]))
}

export async function findPlay(db: Database, id: string): Promise<PlayWithEvent | null> {
  const [row] = await joined(db).where(eq(effect.id, id)).limit(1)
  return row ? asOne(row) : null
}

export async function listPlays(db: Database, ids: readonly string[]): Promise<PlayWithEvent[]> {
  if (ids.length === 0) return []
  return (await joined(db).where(inArray(effect.id, [...ids]))).map(asOne)
}

/** The plays of a box that have ended, newest first: which they are, and nothing of them. */
export async function listEndedIds(db: Database, boxId: string, limit: number): Promise<string[]> {
  const rows = await db
    .select({ id: effect.id })
    .from(effect)
    .innerJoin(play, eq(play.id, effect.id))
    .where(and(eq(effect.lane, laneOfBox(boxId)), isSettled))
    .orderBy(desc(effect.outcomeAt))
    .limit(limit)
  return rows.map(({ id }) => id)
}

/**
 * Changes some of what is read of a play, and leaves the rest as it stands: whoever speaks and whoever says no write at
 * the same time.
 */
export async function mergePlaySpeech(
  db: Database,
  id: string,
  changes: Partial<PlaySpeech>,
  set: Partial<typeof play.$inferInsert> = {},
): Promise<void> {
  await db
    .update(play)
    .set({ ...set, speech: sql`coalesce(${play.speech}, '{}'::jsonb) || ${JSON.stringify(changes)}::jsonb` })
    .where(eq(play.id, id))
}
