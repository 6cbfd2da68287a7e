import { defineEventHandler, setResponseStatus } from 'h3'
import { welcomeBody } from '../../contract/bodies.ts'
import { hashPassword } from '../auth/password.ts'
import { startSession } from '../auth/startSession.ts'
import { isWelcomeCode } from '../auth/welcomeCode.ts'
import { makeChannel } from '../channel/makeChannel.ts'
import { addPerson, hasAnyPerson } from '../db/queries/people.ts'
import { callerOf } from '../http/caller.ts'
import { readChecked } from '../http/readChecked.ts'
import { newId } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'
import { useDatabase } from '../db/port.ts'
import { usePacks } from '../packs/port.ts'
import { useSignIn } from '../auth/port.ts'
import { useMedia } from '../media/port.ts'

/** Makes the first account and its channel, on a server that has none. */
export default defineEventHandler(async (event) => {
  const body = await readChecked(event, welcomeBody)
  const { database } = await useDatabase()
  const { media } = await useMedia()
  const { readShippedFile } = await usePacks()
  const { signInLimits } = await useSignIn()
  await signInLimits.count({ email: body.email, address: callerOf(event).address, browserId: null })
  if (!isWelcomeCode(body.code))
    throw problemError(403, 'This is not the code that the server printed when it started.')
  const passwordHash = await hashPassword(body.password)
  const personId = newId('person')
  await database.db.transaction(async (tx) => {
    if (await hasAnyPerson(tx)) throw problemError(409, 'The first account was already made. Sign in instead.')
    await addPerson(tx, { id: personId, email: body.email, name: body.personName, passwordHash })
    await makeChannel(tx, { media, readShippedFile }, body.channelName, personId)
  })
  await startSession(event, personId)
  setResponseStatus(event, 201)
  return null
})
