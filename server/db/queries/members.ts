import { and, asc, count, desc, eq, gt, isNull, ne, sql } from 'drizzle-orm'
import type { Role } from '../../../contract/views.ts'
import type { Database } from '../handle.ts'
import { channel, invitation, membership, person, session } from '../schema.ts'

/** Everybody who belongs to a channel, owners first. */
export async function listMembers(db: Database, channelId: string) {
  return db
    .select({ personId: person.id, name: person.name, email: person.email, role: membership.role })
    .from(membership)
    .innerJoin(person, eq(person.id, membership.personId))
    .where(eq(membership.channelId, channelId))
    .orderBy(
      sql`case ${membership.role} when 'owner' then 0 when 'editor' then 1 when 'moderator' then 2 else 3 end`,
      asc(sql`lower(${person.name})`),
      asc(person.id),
    )
}

export async function findRole(db: Database, channelId: string, personId: string): Promise<Role | null> {
  const [found] = await db
    .select({ role: membership.role })
    .from(membership)
    .where(and(eq(membership.channelId, channelId), eq(membership.personId, personId)))
  return found?.role ?? null
}

/** One change of who owns a channel at a time: two owners who leave in the same breath may not leave it without any. */
export async function lockMembers(db: Database, channelId: string): Promise<void> {
  await db.select({ id: channel.id }).from(channel).where(eq(channel.id, channelId)).for('update')
}

export async function countOwners(db: Database, channelId: string): Promise<number> {
  const [found] = await db
    .select({ owners: count() })
    .from(membership)
    .where(and(eq(membership.channelId, channelId), eq(membership.role, 'owner')))
  return found?.owners ?? 0
}

export async function setRole(db: Database, channelId: string, personId: string, role: Role): Promise<void> {
  await db
    .update(membership)
    .set({ role })
    .where(and(eq(membership.channelId, channelId), eq(membership.personId, personId)))
}

export async function removeMember(db: Database, channelId: string, personId: string): Promise<void> {
  await db.delete(membership).where(and(eq(membership.channelId, channelId), eq(membership.personId, personId)))
}

/** The channels that a person belongs to, by name. */
export async function listChannelsOf(db: Database, personId: string) {
  return db
    .select({ id: channel.id, name: channel.name, role: membership.role })
    .from(membership)
    .innerJoin(channel, eq(channel.id, membership.channelId))
    .where(eq(membership.personId, personId))
    .orderBy(asc(sql`lower(${channel.name})`), asc(channel.id))
}

export async function addInvitation(db: Database, row: typeof invitation.$inferInsert): Promise<void> {
  await db.insert(invitation).values(row)
}

const isOpen = () => and(isNull(invitation.usedAt), gt(invitation.expiresAt, new Date()))
const shown = {
  id: invitation.id,
  channelId: invitation.channelId,
  role: invitation.role,
  note: invitation.note,
  madeByName: person.name,
  madeAt: invitation.madeAt,
  expiresAt: invitation.expiresAt,
  usedAt: invitation.usedAt,
}

/** Those that can still be used, the newest first. */
export async function listInvitations(db: Database, channelId: string) {
  return db
    .select(shown)
    .from(invitation)
    .innerJoin(person, eq(person.id, invitation.madeBy))
    .where(and(eq(invitation.channelId, channelId), isOpen()))
    .orderBy(desc(invitation.madeAt))
}

/** An invitation by the hash of its secret, whatever became of it. */
export async function findInvitation(db: Database, id: string) {
  const [found] = await db
    .select({ ...shown, channelName: channel.name })
    .from(invitation)
    .innerJoin(person, eq(person.id, invitation.madeBy))
    .innerJoin(channel, eq(channel.id, invitation.channelId))
    .where(eq(invitation.id, id))
  return found ?? null
}

/** Uses an invitation up. @returns false where somebody was faster, or its time is over */
export async function takeInvitation(db: Database, id: string, personId: string): Promise<boolean> {
  const taken = await db
    .update(invitation)
    .set({ usedBy: personId, usedAt: new Date() })
    .where(and(eq(invitation.id, id), isOpen()))
    .returning({ id: invitation.id })
  return taken.length > 0
}

/** Takes an invitation back. @returns it, as far as there was one that was open */
export async function removeInvitation(db: Database, channelId: string, id: string) {
  const gone = await db
    .delete(invitation)
    .where(and(eq(invitation.id, id), eq(invitation.channelId, channelId), isNull(invitation.usedAt)))
    .returning({ note: invitation.note, role: invitation.role })
  return gone[0] ?? null
}

/** Where a person is signed in, the one seen last first. */
export async function listSessions(db: Database, personId: string) {
  return db
    .select({
      ...{ id: session.id, browser: session.browser, madeAt: session.madeAt, seenAt: session.seenAt },
      channelId: session.channelId,
    })
    .from(session)
    .where(and(eq(session.personId, personId), gt(session.expiresAt, new Date())))
    .orderBy(desc(session.seenAt))
}

/** Ends sessions of a person: one of them, or all but one. @returns those that ended */
export async function endSessions(
  db: Database,
  personId: string,
  which: { only: string } | { allBut: string },
): Promise<string[]> {
  const ended = await db
    .delete(session)
    .where(
      and(eq(session.personId, personId), 'only' in which ? eq(session.id, which.only) : ne(session.id, which.allBut)),
    )
    .returning({ id: session.id })
  return ended.map(({ id }) => id)
}

export async function setSessionChannel(db: Database, id: string, channelId: string): Promise<void> {
  await db.update(session).set({ channelId }).where(eq(session.id, id))
}

export async function findPerson(db: Database, id: string) {
  const [found] = await db.select().from(person).where(eq(person.id, id))
  return found ?? null
}

export async function changePerson(
  db: Database,
  id: string,
  changed: Partial<Pick<typeof person.$inferInsert, 'name' | 'email' | 'passwordHash'>>,
): Promise<void> {
  await db.update(person).set(changed).where(eq(person.id, id))
}
