import { and, count, desc, eq, gt, inArray, isNull, lt, sql } from 'drizzle-orm'
import { tipPage as tipPageSchema, type TipPage } from '../../../core/tip/page.ts'
import type { Database } from '../handle.ts'
import { refund } from '../goalSchema.ts'
import { effect, event, play } from '../liveSchema.ts'
import { checkout, tipPage, type CheckoutState } from '../tipSchema.ts'

export type CheckoutRow = typeof checkout.$inferSelect

/** What a channel says on its tip page; null where it never had one. */
export async function findTipPage(
  db: Database,
  channelId: string,
): Promise<{ page: TipPage; revision: number } | null> {
  const [row] = await db.select().from(tipPage).where(eq(tipPage.channelId, channelId)).limit(1)
  return row ? { page: tipPageSchema.parse(row.document), revision: row.revision } : null
}

/** Keeps it. @param revision what it was changed from; 0 where there was none. @returns false where somebody else changed it since */
export async function keepTipPage(db: Database, channelId: string, page: TipPage, revision: number): Promise<boolean> {
  const next = { document: page, revision: revision + 1 }
  const changed = await db
    .update(tipPage)
    .set(next)
    .where(and(eq(tipPage.channelId, channelId), eq(tipPage.revision, revision)))
    .returning({ id: tipPage.channelId })
  if (changed.length > 0 || revision > 0) return changed.length > 0
  const added = await db
    .insert(tipPage)
    .values({ channelId, ...next })
    .onConflictDoNothing()
    .returning({ id: tipPage.channelId })
  return added.length > 0
}

/** Keeps what somebody wants to leave; asked for again, it is what was kept first. */
export async function addCheckout(db: Database, row: typeof checkout.$inferInsert): Promise<CheckoutRow> {
  await db.insert(checkout).values(row).onConflictDoNothing()
  const [kept] = await db
    .select()
    .from(checkout)
    .where(and(eq(checkout.channelId, row.channelId), eq(checkout.requestId, row.requestId)))
    .limit(1)
  if (!kept) throw new Error('A checkout was not kept')
  return kept
}

export async function findCheckout(db: Database, id: string): Promise<CheckoutRow | null> {
  const [row] = await db.select().from(checkout).where(eq(checkout.id, id)).limit(1)
  return row ?? null
}

/** So many of a channel were opened since then and never paid: what nobody pays is not kept without end. */
export async function countUnpaid(db: Database, channelId: string, since: Date): Promise<number> {
  const [row] = await db
    .select({ count: count() })
    .from(checkout)
    .where(and(eq(checkout.channelId, channelId), eq(checkout.state, 'open'), gt(checkout.createdAt, since)))
  return row?.count ?? 0
}

/** What nobody paid until then is forgotten. */
export async function forgetUnpaid(db: Database, channelId: string, before: Date): Promise<void> {
  await db
    .delete(checkout)
    .where(
      and(
        eq(checkout.channelId, channelId),
        inArray(checkout.state, ['open', 'failed']),
        lt(checkout.createdAt, before),
      ),
    )
}

/** Which states another one follows. What was given back stays so, whatever comes late. */
const before: Record<CheckoutState, CheckoutState[]> = {
  open: ['failed'],
  failed: ['open'],
  paid: ['open', 'failed'],
  refunded: ['open', 'failed', 'paid'],
}

/** Keeps what became of a checkout. Said again, or too late, nothing changes. */
export async function settleCheckout(
  db: Database,
  id: string,
  state: CheckoutState,
  set: Partial<Pick<CheckoutRow, 'paidAt' | 'refundedAt' | 'amountMinor' | 'currency'>> = {},
): Promise<void> {
  await db
    .update(checkout)
    .set({ ...set, state })
    .where(and(eq(checkout.id, id), inArray(checkout.state, before[state])))
}

/** Tips of a channel’s own page. Tests are none. */
const tipsOf = (channelId: string, sources: readonly string[]) =>
  and(
    eq(event.channelId, channelId),
    eq(event.kind, 'tip'),
    eq(event.isTest, false),
    inArray(event.source, [...sources]),
  )

/** Tips of a channel’s own page, the newest first, with whether they were given back. Tests are none. */
export async function listReceipts(
  db: Database,
  channelId: string,
  sources: readonly string[],
  beforeSeq: number | null,
  most: number,
) {
  if (sources.length === 0) return []
  return db
    .select({ event, refundedAt: refund.at })
    .from(event)
    .leftJoin(refund, eq(refund.eventId, event.id))
    .where(and(tipsOf(channelId, sources), beforeSeq === null ? undefined : lt(event.seq, beforeSeq)))
    .orderBy(desc(event.seq))
    .limit(most)
}

/** What tips of these sources brought in each currency, without what was given back. */
export async function sumReceipts(
  db: Database,
  channelId: string,
  sources: readonly string[],
  since: Date,
): Promise<{ currency: string; amountMinor: number; count: number }[]> {
  if (sources.length === 0) return []
  const currency = sql<string>`${event.data} ->> 'currency'`
  const rows = await db
    .select({
      currency,
      amountMinor: sql<string>`sum((${event.data} ->> 'amountMinor')::numeric)`,
      count: sql<string>`count(*)`,
    })
    .from(event)
    .leftJoin(refund, eq(refund.eventId, event.id))
    .where(and(tipsOf(channelId, sources), isNull(refund.eventId), gt(event.occurredAt, since)))
    .groupBy(currency)
    .orderBy(desc(sql`2`))
  return rows.map((row) => ({ ...row, amountMinor: Number(row.amountMinor), count: Number(row.count) }))
}

/** A tip that is no test. */
export async function findReceipt(db: Database, channelId: string, eventId: string) {
  const [row] = await db
    .select()
    .from(event)
    .where(and(eq(event.channelId, channelId), eq(event.id, eventId), eq(event.kind, 'tip'), eq(event.isTest, false)))
    .limit(1)
  return row ?? null
}

/** An event by what it is called where it comes from. */
export async function findEventOf(db: Database, channelId: string, source: string, externalId: string) {
  const [row] = await db
    .select()
    .from(event)
    .where(and(eq(event.channelId, channelId), eq(event.source, source), eq(event.externalId, externalId)))
    .limit(1)
  return row ?? null
}

/** What an event is shown as: how far each play is, and how many stand before it in its line. */
export async function playsOf(db: Database, eventId: string) {
  const before = sql<string>`(select count(*) from play as other where other.box_id = ${play.boxId} and other.state <> 'over'
    and (other.enqueued_at, other.id) < (${play.enqueuedAt}, ${play.id}))`
  const rows = await db
    .select({ id: play.id, boxId: play.boxId, state: play.state, outcome: effect.outcome, before })
    .from(effect)
    .innerJoin(play, eq(play.id, effect.id))
    .where(and(eq(effect.eventId, eventId), eq(effect.isAgain, false)))
  return rows.map((row) => ({ ...row, before: Number(row.before) }))
}
