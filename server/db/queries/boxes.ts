import { and, asc, count, desc, eq, gt, isNotNull, isNull, max, sql } from 'drizzle-orm'
import type { BoxDocument } from '../../../core/composition/box.ts'
import { isSame } from '../../../core/isSame.ts'
import { migrateBox } from '../../../core/composition/migrateBox.ts'
import type { Database } from '../handle.ts'
import { play } from '../liveSchema.ts'
import { box, boxVersion, person } from '../schema.ts'
import { addLane } from './lanes.ts'

export type BoxRow = typeof box.$inferSelect
export type BoxVersionRow = typeof boxVersion.$inferSelect

/** Documents are read through the migrations: what an earlier version stored loads as today's. */
const modernBox = (row: BoxRow): BoxRow => ({ ...row, draft: migrateBox(row.draft) })
const modern = <R extends { document: BoxDocument }>(row: R): R => ({ ...row, document: migrateBox(row.document) })

/** The boxes of a channel and its boards in their order, without those that are put away. */
export async function listBoxesAndBoards(db: Database, channelId: string): Promise<BoxRow[]> {
  const rows = await db
    .select()
    .from(box)
    .where(and(eq(box.channelId, channelId), isNull(box.putAwayAt)))
    .orderBy(asc(box.position), asc(box.id))
  return rows.map(modernBox)
}

/** Of those, the boxes. */
export const listBoxes = async (db: Database, channelId: string): Promise<BoxRow[]> =>
  (await listBoxesAndBoards(db, channelId)).filter(({ isBoard }) => !isBoard)

/** Boxes that are put away, the last one first; their documents are left where they are. */
export async function listPutAway(
  db: Database,
  channelId: string,
): Promise<{ id: string; name: string; isBoard: boolean; putAwayAt: Date }[]> {
  const rows = await db
    .select({ id: box.id, name: box.name, isBoard: box.isBoard, putAwayAt: box.putAwayAt })
    .from(box)
    .where(and(eq(box.channelId, channelId), isNotNull(box.putAwayAt)))
    .orderBy(desc(box.putAwayAt))
  return rows.flatMap(({ putAwayAt, ...row }) => (putAwayAt ? [{ ...row, putAwayAt }] : []))
}

export async function countBoxes(db: Database, channelId: string): Promise<{ shown: number; putAway: number }> {
  const [row] = await db
    .select({ all: count(), putAway: count(box.putAwayAt) })
    .from(box)
    .where(eq(box.channelId, channelId))
  const { all = 0, putAway = 0 } = row ?? {}
  return { shown: all - putAway, putAway }
}

/** The box, if this channel has it and it is not put away. */
/** How the boxes of a channel are called, also those that were put away. */
export async function listBoxNames(db: Database, channelId: string): Promise<Map<string, string>> {
  const rows = await db.select({ id: box.id, name: box.name }).from(box).where(eq(box.channelId, channelId))
  return new Map(rows.map(({ id, name }) => [id, name]))
}

export async function findBox(db: Database, channelId: string, id: string): Promise<BoxRow | null> {
  const found = await findAnyBox(db, channelId, id)
  return found?.putAwayAt ? null : found
}

/** The box, put away or not, if this channel has it. */
export async function findAnyBox(db: Database, channelId: string, id: string): Promise<BoxRow | null> {
  const [row] = await db
    .select()
    .from(box)
    .where(and(eq(box.channelId, channelId), eq(box.id, id)))
    .limit(1)
  return row ? modernBox(row) : null
}

/** Adds a box behind the others, with its lane; or a board, which has none. */
export async function addBox(db: Database, row: Omit<typeof box.$inferInsert, 'position'>): Promise<void> {
  const [last] = await db
    .select({ position: max(box.position) })
    .from(box)
    .where(eq(box.channelId, row.channelId))
  await db.transaction(async (tx) => {
    await tx.insert(box).values({ ...row, position: (last?.position ?? -1) + 1 })
    if (!row.isBoard) await addLane(tx, row.id, row.channelId)
  })
}

export async function renameBox(db: Database, id: string, name: string): Promise<void> {
  await db.update(box).set({ name }).where(eq(box.id, id))
}

/** Puts a box away, or brings it back. @returns false where it was so already */
export async function setPutAway(db: Database, id: string, putAwayAt: Date | null): Promise<boolean> {
  const wasOtherwise = putAwayAt ? isNull(box.putAwayAt) : isNotNull(box.putAwayAt)
  const changed = await db
    .update(box)
    .set({ putAwayAt, absentSince: new Date() })
    .where(and(eq(box.id, id), wasOtherwise))
    .returning({ id: box.id })
  return changed.length > 0
}

/** Moves a box before another one, or behind all. Of two moves at once the second finds the order that the first left. */
export async function moveBox(db: Database, channelId: string, id: string, before: string | null): Promise<void> {
  await db.transaction(async (tx) => {
    // Ordered here: a database server orders before it waits for what another move has locked.
    const rows = await tx
      .select({ id: box.id, position: box.position })
      .from(box)
      .where(eq(box.channelId, channelId))
      .orderBy(asc(box.id))
      .for('update')
    rows.sort((a, b) => a.position - b.position)
    const rest = rows.map((row) => row.id).filter((each) => each !== id)
    const at = before === null ? -1 : rest.indexOf(before)
    const order = at < 0 ? [...rest, id] : [...rest.slice(0, at), id, ...rest.slice(at)]
    for (const [position, each] of order.entries()) await tx.update(box).set({ position }).where(eq(box.id, each))
  })
}

/**
 * Saves a draft on top of `baseRevision`.
 * @returns false when somebody else saved in between: nothing is written then.
 */
export async function saveDraft(db: Database, id: string, baseRevision: number, draft: BoxDocument): Promise<boolean> {
  return db.transaction(async (tx) => {
    const locked = await lockBox(tx, id)
    if (locked?.draftRevision !== baseRevision) return false
    const air = locked.onAirVersionId ? await findVersion(tx, locked.onAirVersionId) : null
    const isDraftOther = !air || !isSame(air.document, draft)
    await tx
      .update(box)
      .set({ draft, draftRevision: baseRevision + 1, isDraftOther })
      .where(eq(box.id, id))
    return true
  })
}

export async function setSourceToken(db: Database, id: string, sourceToken: string): Promise<void> {
  await db.update(box).set({ sourceToken }).where(eq(box.id, id))
}

export async function setHeld(db: Database, id: string, isHeld: boolean): Promise<void> {
  await db.update(box).set({ isHeld }).where(eq(box.id, id))
}

/** Whether nothing of a box is heard. */
export async function setSilent(db: Database, id: string, isSilent: boolean): Promise<void> {
  await db.update(box).set({ isSilent }).where(eq(box.id, id))
}

export async function setAbsentSince(db: Database, id: string, absentSince: Date | null): Promise<void> {
  await db.update(box).set({ absentSince }).where(eq(box.id, id))
}

/**
 * Whether a draft or anything that was ever put on air refers to a file. Reads every document as text: for rare
 * housekeeping.
 */
export async function isMediaUsed(db: Database, channelId: string, mediaId: string): Promise<boolean> {
  const [row] = await db
    .select({ one: sql`1` })
    .from(box)
    .leftJoin(boxVersion, eq(boxVersion.boxId, box.id))
    .where(
      and(
        eq(box.channelId, channelId),
        sql`(strpos(${box.draft}::text, ${mediaId}) > 0 or strpos(coalesce(${boxVersion.document}::text, ''), ${mediaId}) > 0)`,
      ),
    )
    .limit(1)
  return row !== undefined
}

/** Whether anything of a channel was ever shown by a source. */
export async function hasEverShown(db: Database, channelId: string): Promise<boolean> {
  const rows = await db
    .select({ id: play.id })
    .from(box)
    .innerJoin(play, eq(play.boxId, box.id))
    .where(and(eq(box.channelId, channelId), gt(play.shownCount, 0)))
    .limit(1)
  return rows.length > 0
}

type NewVersion = Omit<BoxVersionRow, 'number'>

/** Keeps a document as the next version and makes it the one on air, in one transaction. Two at once come one after the other. */
export async function publishVersion(db: Database, row: NewVersion): Promise<BoxVersionRow> {
  return db.transaction(async (tx) => {
    const locked = await lockBox(tx, row.boxId)
    return addVersion(tx, row, !locked || !isSame(modernBox(locked).draft, row.document))
  })
}

/**
 * Puts the draft on air as it is.
 * @param revision the draft that the person saw
 * @returns null where the draft is another one by now: nothing is written then
 */
export async function publishDraft(
  db: Database,
  row: Omit<NewVersion, 'document'>,
  revision: number,
): Promise<BoxVersionRow | null> {
  return db.transaction(async (tx) => {
    const locked = await lockBox(tx, row.boxId)
    if (locked?.draftRevision !== revision) return null
    return addVersion(tx, { ...row, document: modernBox(locked).draft }, false)
  })
}

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** The box, which nobody else can change or publish until the transaction is over. */
async function lockBox(tx: Transaction, boxId: string): Promise<BoxRow | undefined> {
  const [locked] = await tx.select().from(box).where(eq(box.id, boxId)).for('update')
  return locked
}

/** The box has to be locked: versions are numbered one after the other. */
async function addVersion(tx: Transaction, row: NewVersion, isDraftOther: boolean): Promise<BoxVersionRow> {
  const [last] = await tx
    .select({ number: max(boxVersion.number) })
    .from(boxVersion)
    .where(eq(boxVersion.boxId, row.boxId))
  const version = { ...row, number: (last?.number ?? 0) + 1 }
  await tx.insert(boxVersion).values(version)
  await tx.update(box).set({ onAirVersionId: row.id, isDraftOther }).where(eq(box.id, row.boxId))
  return version
}

export async function findVersion(db: Database, id: string): Promise<BoxVersionRow | null> {
  const [row] = await db.select().from(boxVersion).where(eq(boxVersion.id, id)).limit(1)
  return row ? modern(row) : null
}

/** A box's versions, newest first, with who put them on air; their documents are left where they are. */
export async function listVersions(db: Database, boxId: string, limit: number) {
  return db
    .select({ id: boxVersion.id, number: boxVersion.number, publishedAt: boxVersion.publishedAt, byName: person.name })
    .from(boxVersion)
    .innerJoin(person, eq(person.id, boxVersion.publishedBy))
    .where(eq(boxVersion.boxId, boxId))
    .orderBy(desc(boxVersion.number))
    .limit(limit)
}

/** The versions on air of a channel's boxes, with who put them there. */
export async function listOnAir(db: Database, channelId: string) {
  const rows = await db
    .select({
      boxId: box.id,
      number: boxVersion.number,
      publishedAt: boxVersion.publishedAt,
      byName: person.name,
      document: boxVersion.document,
    })
    .from(box)
    .innerJoin(boxVersion, eq(boxVersion.id, box.onAirVersionId))
    .innerJoin(person, eq(person.id, boxVersion.publishedBy))
    .where(and(eq(box.channelId, channelId), isNull(box.putAwayAt)))
    .orderBy(desc(boxVersion.publishedAt))
  return rows.map(modern)
}

export async function findBoxByToken(db: Database, sourceToken: string): Promise<BoxRow | null> {
  const [row] = await db.select().from(box).where(eq(box.sourceToken, sourceToken)).limit(1)
  return row ? modernBox(row) : null
}

/** Of each box whether it is on air and whether its draft differs from that. Kept: nothing is compared. */
export async function listDraftStates(
  db: Database,
  channelId: string,
): Promise<{ isOnAir: boolean; isDifferent: boolean }[]> {
  return db
    .select({ isOnAir: sql<boolean>`${box.onAirVersionId} is not null`, isDifferent: box.isDraftOther })
    .from(box)
    .where(and(eq(box.channelId, channelId), isNull(box.putAwayAt)))
}
