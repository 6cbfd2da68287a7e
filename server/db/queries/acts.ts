import { and, desc, eq, isNull, or } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { deskAct, event, play } from '../liveSchema.ts'

export async function addAct(db: Database, row: Omit<typeof deskAct.$inferInsert, 'seq'>): Promise<void> {
  await db.insert(deskAct).values(row)
}

const listedMost = 100

/** What was done at the desk of a box, or of all boxes, newest first, with the events of alerts that it was about. */
export const listActs = (db: Database, channelId: string, boxId: string) =>
  db
    .select({ seq: deskAct.seq, at: deskAct.at, byName: deskAct.byName, did: deskAct.did, event })
    .from(deskAct)
    .leftJoin(play, eq(play.id, deskAct.playId))
    .leftJoin(event, eq(event.id, play.eventId))
    .where(and(eq(deskAct.channelId, channelId), or(eq(deskAct.boxId, boxId), isNull(deskAct.boxId))))
    .orderBy(desc(deskAct.seq))
    .limit(listedMost)
