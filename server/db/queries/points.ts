import { and, asc, count, desc, eq, ilike, sql, sum } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { balance, pointsEntry } from '../triggerSchema.ts'

/** Who has most of a channel's points; with words, among those whose names have them. */
export async function listBalances(db: Database, channelId: string, words: string, most: number, skipped = 0) {
  const named = words === '' ? undefined : ilike(balance.name, `%${words.replace(/[\\%_]/g, '\\$&')}%`)
  return db
    .select({ viewerId: balance.viewerId, name: balance.name, points: balance.points })
    .from(balance)
    .where(and(eq(balance.channelId, channelId), named))
    .orderBy(desc(balance.points), asc(balance.name), asc(balance.viewerId))
    .limit(most)
    .offset(skipped)
}

export async function sumBalances(db: Database, channelId: string): Promise<{ viewers: number; total: number }> {
  const [row] = await db
    .select({ viewers: count(), total: sum(balance.points) })
    .from(balance)
    .where(eq(balance.channelId, channelId))
  return { viewers: row?.viewers ?? 0, total: Number(row?.total ?? 0) }
}

/** What made a viewer's points what they are, the newest first. */
export async function listEntries(db: Database, channelId: string, viewerId: string, most: number) {
  return db
    .select({ seq: pointsEntry.seq, change: pointsEntry.change, why: pointsEntry.why, at: pointsEntry.at })
    .from(pointsEntry)
    .where(and(eq(pointsEntry.channelId, channelId), eq(pointsEntry.viewerId, viewerId)))
    .orderBy(desc(pointsEntry.seq))
    .limit(most)
}

/** The whole ledger of a channel in pieces, the earliest first. */
export async function listLedger(db: Database, channelId: string, afterSeq: number, most: number) {
  return db
    .select({
      seq: pointsEntry.seq,
      viewerId: pointsEntry.viewerId,
      name: balance.name,
      change: pointsEntry.change,
      why: pointsEntry.why,
      reference: pointsEntry.reference,
      at: pointsEntry.at,
    })
    .from(pointsEntry)
    .innerJoin(balance, and(eq(balance.channelId, pointsEntry.channelId), eq(balance.viewerId, pointsEntry.viewerId)))
    .where(and(eq(pointsEntry.channelId, channelId), sql`${pointsEntry.seq} > ${afterSeq}`))
    .orderBy(asc(pointsEntry.seq))
    .limit(most)
}
