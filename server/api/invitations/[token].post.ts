import { defineEventHandler, setResponseStatus } from 'h3'
import { joinBody } from '../../../contract/people.ts'
import { readPersonOf, sessionIdIn } from '../../auth/access.ts'
import { useSignIn } from '../../auth/port.ts'
import { startSession } from '../../auth/startSession.ts'
import { readChannel } from '../../db/queries/people.ts'
import { findPerson, setSessionChannel } from '../../db/queries/members.ts'
import { useDatabase } from '../../db/port.ts'
import { callerOf } from '../../http/caller.ts'
import { pathId } from '../../http/pathId.ts'
import { readChecked } from '../../http/readChecked.ts'
import { join } from '../../people/joining.ts'
import { invitationIdOf } from '../../people/surroundings.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Joins the channel of an invitation, and works there from now on. */
export default defineEventHandler(async (event) => {
  const { database } = await useDatabase()
  const { signInLimits } = await useSignIn()
  const body = await readChecked(event, joinBody)
  // Passwords are dear to hash: as few as with signing in.
  if (body.as === 'new')
    await signInLimits.count({ email: body.email, address: callerOf(event).address, browserId: null })
  const person = await readPersonOf(event)
  const { personId, channelId } = await join(
    database.db,
    invitationIdOf(pathId(event, 'token')),
    body,
    person?.id ?? null,
  )
  const sessionId = await sessionIdIn(event)
  if (body.as === 'you' && sessionId) await setSessionChannel(database.db, sessionId, channelId)
  else await startSession(event, personId, channelId)
  const joined = await findPerson(database.db, personId)
  const channel = await readChannel(database.db, channelId)
  if (joined && channel) await noteDeed({ person: joined, channel }, 'joined', channel.name)
  setResponseStatus(event, 201)
  return null
})
