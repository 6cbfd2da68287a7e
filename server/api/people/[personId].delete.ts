import { defineEventHandler, setResponseStatus } from 'h3'
import { pathId } from '../../http/pathId.ts'
import { changeMembership } from '../../people/membership.ts'
import { withPeople } from '../../people/surroundings.ts'
import { problemError } from '../../system/problemError.ts'

/** Takes a member out of the channel; everybody may leave. It takes effect at once. */
export default defineEventHandler(async (event) => {
  const { db, session, retell } = await withPeople(event, 'moderator')
  const personId = pathId(event, 'personId')
  if (personId !== session.person.id && session.role !== 'owner')
    throw problemError(403, `Only an owner takes others out; you are ${session.role} of ${session.channel.name}.`)
  await changeMembership(db, session.channel.id, personId, null)
  await retell(personId)
  setResponseStatus(event, 204)
  return null
})
