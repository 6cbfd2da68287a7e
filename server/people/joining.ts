import type { JoinBody } from '../../contract/people.ts'
import { hashPassword } from '../auth/password.ts'
import type { Database } from '../db/handle.ts'
import { findInvitation, findRole, takeInvitation } from '../db/queries/members.ts'
import { addMember, addPerson, findPersonByEmail } from '../db/queries/people.ts'
import { newId } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'

/**
 * An invitation that can still be used.
 * @throws 404 for one that never was, 410 for one that was used or whose time is over, each with what to do
 */
export async function openInvitation(db: Database, id: string) {
  const found = await findInvitation(db, id)
  if (!found) throw problemError(404, 'There is no such invitation. Ask whoever sent it for a new link.')
  if (found.usedAt)
    throw problemError(410, 'This invitation has been used. If that was you, sign in; else ask for a new link.')
  if (found.expiresAt.getTime() <= Date.now())
    throw problemError(410, 'This invitation has ended: it works for a week. Ask for a new link.')
  return found
}

/**
 * Joins a channel: whoever is signed in, or somebody with an account that is made now. The invitation is used up with it, once,
 * however many try at the same moment.
 * @returns who joined, and what
 * @throws 401 where nobody is signed in, 409 where they belong to it already or the address is somebody's
 */
export async function join(
  db: Database,
  id: string,
  body: JoinBody,
  signedIn: string | null,
): Promise<{ personId: string; channelId: string }> {
  const { channelId, role } = await openInvitation(db, id)
  const used = () => problemError(410, 'This invitation has just been used. Ask for a new link.')
  if (body.as === 'you') {
    if (signedIn === null) throw problemError(401, 'Sign in first; your session may have ended.')
    await db.transaction(async (tx) => {
      if (await findRole(tx, channelId, signedIn))
        throw problemError(
          409,
          'You belong to this channel already. The invitation can still be used by somebody else.',
        )
      if (!(await takeInvitation(tx, id, signedIn))) throw used()
      await addMember(tx, channelId, signedIn, role)
    })
    return { personId: signedIn, channelId }
  }
  const isKnown = () =>
    problemError(409, 'There is an account with this e-mail address. Sign in with it, and open the link again.')
  if (await findPersonByEmail(db, body.email)) throw isKnown()
  const passwordHash = await hashPassword(body.password)
  const personId = newId('person')
  await db.transaction(async (tx) => {
    if (await findPersonByEmail(tx, body.email)) throw isKnown()
    await addPerson(tx, { id: personId, email: body.email, name: body.personName, passwordHash })
    if (!(await takeInvitation(tx, id, personId))) throw used()
    await addMember(tx, channelId, personId, role)
  })
  return { personId, channelId }
}
