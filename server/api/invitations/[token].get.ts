import { defineEventHandler } from 'h3'
import type { OpenedInvitation } from '../../../contract/people.ts'
import { readPersonOf } from '../../auth/access.ts'
import { findRole } from '../../db/queries/members.ts'
import { useDatabase } from '../../db/port.ts'
import { pathId } from '../../http/pathId.ts'
import { openInvitation } from '../../people/joining.ts'
import { invitationIdOf } from '../../people/surroundings.ts'

/** What somebody is invited to, for whoever has the link. */
export default defineEventHandler(async (event): Promise<OpenedInvitation> => {
  const { database } = await useDatabase()
  const found = await openInvitation(database.db, invitationIdOf(pathId(event, 'token')))
  const person = await readPersonOf(event)
  const { channelName, role, madeByName, expiresAt, channelId } = found
  return {
    ...{ channelName, role, madeByName, expiresAtMs: expiresAt.getTime() },
    you: person && {
      name: person.name,
      isMember: (await findRole(database.db, channelId, person.id)) !== null,
    },
  }
})
