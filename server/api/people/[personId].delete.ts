import { defineEventHandler, setResponseStatus } from 'h3'
import { findPerson, findRole } from '../../db/queries/members.ts'
import { pathId } from '../../http/pathId.ts'
import { changeMembership } from '../../people/membership.ts'
import { withPeople } from '../../people/surroundings.ts'
import { problemError } from '../../system/problemError.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Takes a member out of the channel; everybody may leave. It takes effect at once. */
export default defineEventHandler(async (event) => {
  const { db, session, retell } = await withPeople(event, 'desk')
  const personId = pathId(event, 'personId')
  if (!(await findRole(db, session.channel.id, personId)))
    throw problemError(404, 'There is no such person in this channel.')
  if (personId !== session.person.id && session.role !== 'owner')
    throw problemError(403, `Only an owner takes others out; you are ${session.role} of ${session.channel.name}.`)
  await changeMembership(db, session.channel.id, personId, null)
  if (personId === session.person.id) await noteDeed(session, 'left')
  else await noteDeed(session, 'tookOut', (await findPerson(db, personId))?.name)
  await retell(personId)
  setResponseStatus(event, 204)
  return null
})
