import { createHash } from 'node:crypto'
import type { H3Event } from 'h3'
import type { InvitationView, PeopleView } from '../../contract/people.ts'
import type { Role, SessionView } from '../../contract/views.ts'
import { requireMember, sessionIdIn } from '../auth/access.ts'
import type { Database } from '../db/handle.ts'
import { useDatabase } from '../db/port.ts'
import { listInvitations, listMembers, listSessions } from '../db/queries/members.ts'
import { useScreens } from '../live/port.ts'

/** What handlers about the people of a channel need. */
export async function withPeople(event: H3Event, atLeast: Role) {
  const session = await requireMember(event, atLeast)
  const { database } = await useDatabase()
  const { endSessionScreens } = await useScreens()
  return {
    ...{ session, db: database.db, endSessionScreens },
    sessionId: (await sessionIdIn(event)) ?? '',
    /** What somebody sees of the channel is told anew, or not any more: their role is another. */
    async retell(personId: string): Promise<void> {
      for (const { id } of await listSessions(database.db, personId)) endSessionScreens(id)
    },
  }
}

/** What an invitation is kept by: reading the table invites nobody. */
export const invitationIdOf = (secret: string): string => createHash('sha256').update(`join ${secret}`).digest('hex')

export const invitationView = (row: {
  id: string
  role: Role
  note: string
  madeByName: string
  madeAt: Date
  expiresAt: Date
}): InvitationView => ({
  ...{ id: row.id, role: row.role, note: row.note, madeByName: row.madeByName },
  madeAtMs: row.madeAt.getTime(),
  expiresAtMs: row.expiresAt.getTime(),
})

/** Who belongs to a channel, as one of them may see it. */
export async function peopleView(db: Database, { channel, person, role }: SessionView): Promise<PeopleView> {
  const isOwner = role === 'owner'
  const [members, invitations] = await Promise.all([
    listMembers(db, channel.id),
    isOwner ? listInvitations(db, channel.id) : [],
  ])
  return {
    members: members.map(({ personId, name, email, role: of }) => ({
      ...{ personId, name, role: of, isYou: personId === person.id },
      email: isOwner || personId === person.id ? email : null,
    })),
    invitations: invitations.map(invitationView),
  }
}
