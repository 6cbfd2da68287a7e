import { defineEventHandler, setResponseStatus } from 'h3'
import { passwordBody } from '../../../contract/people.ts'
import { hashPassword, verifyPassword } from '../../auth/password.ts'
import { useSignIn } from '../../auth/port.ts'
import { changePerson, endSessions, findPerson } from '../../db/queries/members.ts'
import { callerOf } from '../../http/caller.ts'
import { readChecked } from '../../http/readChecked.ts'
import { withPeople } from '../../people/surroundings.ts'
import { problemError } from '../../system/problemError.ts'

/** Changes one's password. Whoever is signed in elsewhere with the old one is signed out there. */
export default defineEventHandler(async (event) => {
  const { db, session, sessionId, endSessionScreens } = await withPeople(event, 'desk')
  const { now, then } = await readChecked(event, passwordBody)
  const { signInLimits } = await useSignIn()
  const person = await findPerson(db, session.person.id)
  if (!person) throw problemError(401, 'Sign in first; your session may have ended.')
  const tried = { email: person.email, address: callerOf(event).address, browserId: null }
  await signInLimits.count(tried)
  if (!(await verifyPassword(now, person.passwordHash)))
    throw problemError(403, 'That is not your password as it is now.')
  await signInLimits.forget(tried)
  await changePerson(db, person.id, { passwordHash: await hashPassword(then) })
  for (const id of await endSessions(db, person.id, { allBut: sessionId })) endSessionScreens(id)
  setResponseStatus(event, 204)
  return null
})
