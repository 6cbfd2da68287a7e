import { defineEventHandler, setResponseStatus } from 'h3'
import { removeInvitation } from '../../../db/queries/members.ts'
import { pathId } from '../../../http/pathId.ts'
import { withPeople } from '../../../people/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

/** Takes an invitation back: its link does not work any more. */
export default defineEventHandler(async (event) => {
  const { db, session } = await withPeople(event, 'owner')
  if (!(await removeInvitation(db, session.channel.id, pathId(event, 'invitationId'))))
    throw problemError(404, 'There is no such open invitation: it may have been used by now.')
  setResponseStatus(event, 204)
  return null
})
