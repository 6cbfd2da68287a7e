import { defineEventHandler, setResponseStatus } from 'h3'
import { hereBody } from '../../../contract/people.ts'
import { findRole, setSessionChannel } from '../../db/queries/members.ts'
import { readChecked } from '../../http/readChecked.ts'
import { withPeople } from '../../people/surroundings.ts'
import { problemError } from '../../system/problemError.ts'

/** Works in another of one's channels from now on, on this browser. */
export default defineEventHandler(async (event) => {
  const { db, session, sessionId, endSessionScreens } = await withPeople(event, 'desk')
  const { channelId } = await readChecked(event, hereBody)
  if (!(await findRole(db, channelId, session.person.id)))
    throw problemError(404, 'You belong to no such channel (any more).')
  await setSessionChannel(db, sessionId, channelId)
  endSessionScreens(sessionId)
  setResponseStatus(event, 204)
  return null
})
