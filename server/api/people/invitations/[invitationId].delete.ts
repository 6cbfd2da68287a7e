import { defineEventHandler, setResponseStatus } from 'h3'
import { removeInvitation } from '../../../db/queries/members.ts'
import { pathId } from '../../../http/pathId.ts'
import { withPeople } from '../../../people/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Takes an invitation back: its link does not work any more. */
export default defineEventHandler(async (event) => {
  const { db, session } = await withPeople(event, 'owner')
  const gone = await removeInvitation(db, session.channel.id, pathId(event, 'invitationId'))
  if (!gone) throw problemError(404, 'There is no such open invitation: it may have been used by now.')
  await noteDeed(session, 'tookBackInvitation', gone.note || 'somebody', `as ${gone.role}`)
  setResponseStatus(event, 204)
  return null
})
