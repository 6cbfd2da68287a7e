import { defineEventHandler, setResponseStatus } from 'h3'
import { newPasswordBody } from '../../../contract/people.ts'
import { hashPassword } from '../../auth/password.ts'
import { useSignIn } from '../../auth/port.ts'
import { startSession } from '../../auth/startSession.ts'
import { useDatabase } from '../../db/port.ts'
import { changePerson, endSessions } from '../../db/queries/members.ts'
import { takePasswordLink } from '../../db/queries/passwordLinks.ts'
import { callerOf } from '../../http/caller.ts'
import { pathId } from '../../http/pathId.ts'
import { readChecked } from '../../http/readChecked.ts'
import { useScreens } from '../../live/port.ts'
import { openPasswordLink, passwordLinkIdOf } from '../../people/passwordLinks.ts'
import { problemError } from '../../system/problemError.ts'

/** Sets a password by a link, and signs in with it. Whoever was signed in with the old one is signed out everywhere. */
export default defineEventHandler(async (event) => {
  const id = passwordLinkIdOf(pathId(event, 'token'))
  const { database } = await useDatabase()
  const { db } = database
  const { password } = await readChecked(event, newPasswordBody)
  const { signInLimits } = await useSignIn()
  const { personId, email } = await openPasswordLink(db, id)
  const tried = { email, address: callerOf(event).address, browserId: null }
  // Passwords are dear to hash: as few as with signing in.
  await signInLimits.count(tried)
  const passwordHash = await hashPassword(password)
  if (!(await takePasswordLink(db, id))) throw problemError(410, 'This link has just been used. Ask for a new one.')
  await changePerson(db, personId, { passwordHash })
  await signInLimits.forget(tried)
  const { endSessionScreens } = await useScreens()
  for (const ended of await endSessions(db, personId, { allBut: '' })) endSessionScreens(ended)
  await startSession(event, personId)
  setResponseStatus(event, 204)
  return null
})
