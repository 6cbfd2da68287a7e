import { defineEventHandler } from 'h3'
import type { AccountView } from '../../../../contract/people.ts'
import { passkeyIdOf } from '../../../auth/passkeys.ts'
import { listPasskeys, removePasskey } from '../../../db/queries/passkeys.ts'
import { pathId } from '../../../http/pathId.ts'
import { accountView } from '../../../people/account.ts'
import { withPeople } from '../../../people/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

/** Takes a passkey away: nobody signs in with it any more. The password stays. */
export default defineEventHandler(async (event): Promise<AccountView> => {
  const { db, session, sessionId } = await withPeople(event, 'desk')
  const asked = pathId(event, 'passkeyId')
  const found = (await listPasskeys(db, session.person.id)).find(({ id }) => passkeyIdOf(id) === asked)
  if (!found) throw problemError(404, 'There is no such passkey any more.')
  await removePasskey(db, session.person.id, found.id)
  return accountView(db, session, sessionId)
})
