import { defineEventHandler } from 'h3'
import type { AccountView } from '../../../contract/people.ts'
import { accountView } from '../../people/account.ts'
import { withPeople } from '../../people/surroundings.ts'

/** One's own account: name, address, channels, and where one is signed in. */
export default defineEventHandler(async (event): Promise<AccountView> => {
  const { db, session, sessionId } = await withPeople(event, 'desk')
  return accountView(db, session, sessionId)
})
