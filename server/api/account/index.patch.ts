import { defineEventHandler } from 'h3'
import { accountBody, type AccountView } from '../../../contract/people.ts'
import { changePerson } from '../../db/queries/members.ts'
import { findPersonByEmail } from '../../db/queries/people.ts'
import { readChecked } from '../../http/readChecked.ts'
import { accountView } from '../../people/account.ts'
import { withPeople } from '../../people/surroundings.ts'
import { problemError } from '../../system/problemError.ts'

/** Changes one's own name or address. */
export default defineEventHandler(async (event): Promise<AccountView> => {
  const { db, session, sessionId } = await withPeople(event, 'desk')
  const { name, email } = await readChecked(event, accountBody)
  const { person } = session
  if (email !== undefined) {
    const other = await findPersonByEmail(db, email)
    if (other && other.id !== person.id) throw problemError(409, 'This e-mail address belongs to another account.')
  }
  await changePerson(db, person.id, {
    ...(name === undefined ? {} : { name }),
    ...(email === undefined ? {} : { email }),
  })
  return accountView(db, { ...session, person: { ...person, name: name ?? person.name } }, sessionId)
})
