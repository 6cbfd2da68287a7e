import { defineEventHandler, setResponseStatus } from 'h3'
import { signInBody } from '../../../contract/bodies.ts'
import { knownBrowserOf, rememberBrowser } from '../../auth/knownBrowser.ts'
import { verifyPassword } from '../../auth/password.ts'
import { requireAnyChannel } from '../../auth/requireAnyChannel.ts'
import { startSession } from '../../auth/startSession.ts'
import { findPersonByEmail } from '../../db/queries/people.ts'
import { callerOf } from '../../http/caller.ts'
import { readChecked } from '../../http/readChecked.ts'
import { problemError } from '../../system/problemError.ts'
import { useDatabase } from '../../db/port.ts'
import { useSignIn } from '../../auth/port.ts'

/** A hash that nothing matches: an unknown e-mail address, or an account without a password, takes as long as a wrong password. */
const nobody = `scrypt$${2 ** 17}$8$1$${Buffer.alloc(16).toString('base64')}$${Buffer.alloc(32).toString('base64')}`

export default defineEventHandler(async (event) => {
  const { email, password } = await readChecked(event, signInBody)
  const { database } = await useDatabase()
  const { secret, signInLimits } = await useSignIn()
  const person = await findPersonByEmail(database.db, email)
  const browserId = person && (await knownBrowserOf(event, person.id, secret))
  const tried = { email, address: callerOf(event).address, browserId }
  await signInLimits.count(tried)
  const isRight = await verifyPassword(password, person?.passwordHash || nobody)
  if (!person || !isRight) throw problemError(401, 'This e-mail address and password do not belong together.')
  await signInLimits.forget(tried)
  const channelId = await requireAnyChannel(database.db, person.id)
  await rememberBrowser(event, person.id, secret)
  await startSession(event, person.id, channelId)
  setResponseStatus(event, 204)
  return null
})
