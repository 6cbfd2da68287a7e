import { defineEventHandler } from 'h3'
import type { AccountView } from '../../../../contract/people.ts'
import { endSessions, listSessions } from '../../../db/queries/members.ts'
import { pathId } from '../../../http/pathId.ts'
import { accountView, browserIdOf } from '../../../people/account.ts'
import { withPeople } from '../../../people/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

/** Signs oneself out where one is signed in: on one other browser (its id), or on all others (`others`). */
export default defineEventHandler(async (event): Promise<AccountView> => {
  const { db, session, sessionId, endSessionScreens } = await withPeople(event, 'desk')
  const asked = pathId(event, 'sessionId')
  const one = (await listSessions(db, session.person.id)).find(({ id }) => browserIdOf(id) === asked)
  if (asked !== 'others' && !one) throw problemError(404, 'You are not signed in there any more.')
  const ended = await endSessions(db, session.person.id, one ? { only: one.id } : { allBut: sessionId })
  for (const id of ended) endSessionScreens(id)
  return accountView(db, session, sessionId)
})
