import { and, eq, gt, lt, sql } from 'drizzle-orm'
import type { SpeechSettings } from '../../../core/speech/settings.ts'
import type { Role, SessionView } from '../../../contract/views.ts'
import type { Database } from '../handle.ts'
import { addChannelLane } from './lanes.ts'
import { channel, membership, person, session } from '../schema.ts'

export async function findPersonByEmail(db: Database, email: string) {
  const [found] = await db
    .select()
    .from(person)
    .where(eq(sql`lower(${person.email})`, email.toLowerCase()))
    .limit(1)
  return found ?? null
}

export async function hasAnyPerson(db: Database): Promise<boolean> {
  return (await db.select({ id: person.id }).from(person).limit(1)).length > 0
}

export async function addPerson(db: Database, row: typeof person.$inferInsert): Promise<void> {
  await db.insert(person).values(row)
}

export async function addChannel(db: Database, row: typeof channel.$inferInsert): Promise<void> {
  await db.insert(channel).values(row)
  await addChannelLane(db, row.id)
}

export async function addMember(db: Database, channelId: string, personId: string, role: Role): Promise<void> {
  await db.insert(membership).values({ channelId, personId, role })
}

export async function addSession(db: Database, row: typeof session.$inferInsert): Promise<void> {
  await db.delete(session).where(lt(session.expiresAt, new Date()))
  await db.insert(session).values(row)
}

/** So long nobody writes down again that a session was used. */
const seenForMs = 5 * 60_000

export async function endSession(db: Database, id: string): Promise<void> {
  await db.delete(session).where(eq(session.id, id))
}

/**
 * Who is signed in with this session, and what they are in the channel that they work in: the one that they chose, while they
 * belong to it, else the first of theirs. Null when it has ended, or they belong to no channel any more.
 */
export async function findSession(db: Database, id: string): Promise<SessionView | null> {
  const [row] = await db
    .select({
      person: { id: person.id, name: person.name },
      channel,
      role: membership.role,
      seenAt: session.seenAt,
    })
    .from(session)
    .innerJoin(person, eq(person.id, session.personId))
    .innerJoin(membership, eq(membership.personId, person.id))
    .innerJoin(channel, eq(channel.id, membership.channelId))
    .where(and(eq(session.id, id), gt(session.expiresAt, new Date())))
    .orderBy(sql`${membership.channelId} = ${session.channelId} desc nulls last`, membership.channelId)
    .limit(1)
  if (!row) return null
  const { seenAt, ...view } = row
  if (seenAt.getTime() < Date.now() - seenForMs)
    await db.update(session).set({ seenAt: new Date() }).where(eq(session.id, id))
  return view
}

/** Whose a session is, whatever they belong to; null when it has ended. */
export async function findPersonOfSession(db: Database, id: string): Promise<{ id: string; name: string } | null> {
  const [row] = await db
    .select({ id: person.id, name: person.name })
    .from(session)
    .innerJoin(person, eq(person.id, session.personId))
    .where(and(eq(session.id, id), gt(session.expiresAt, new Date())))
  return row ?? null
}

/** Says when the stream began that goes on. */
export async function setStreamBegan(db: Database, id: string, at: Date): Promise<void> {
  await db.update(channel).set({ streamBeganAt: at }).where(eq(channel.id, id))
}

/** Sets how a channel reads aloud. */
export async function setSpeech(db: Database, id: string, speech: SpeechSettings): Promise<void> {
  await db.update(channel).set({ speech }).where(eq(channel.id, id))
}

export async function readChannel(db: Database, id: string) {
  const [row] = await db.select().from(channel).where(eq(channel.id, id)).limit(1)
  return row ?? null
}
