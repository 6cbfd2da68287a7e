import { defineEventHandler, setResponseStatus } from 'h3'
import { forgottenBody } from '../../../contract/people.ts'
import { requireOperator } from '../../auth/operator.ts'
import { useDatabase } from '../../db/port.ts'
import { findPersonByEmail } from '../../db/queries/people.ts'
import { readChecked } from '../../http/readChecked.ts'
import { makePasswordLink } from '../../people/passwordLinks.ts'
import { problemError } from '../../system/problemError.ts'

/** A link for somebody who forgot their password. Whoever runs the server hands it on. */
export default defineEventHandler(async (event): Promise<{ name: string; path: string }> => {
  await requireOperator(event)
  const { email } = await readChecked(event, forgottenBody)
  const { database } = await useDatabase()
  const person = await findPersonByEmail(database.db, email)
  if (!person) throw problemError(404, 'There is no account with this e-mail address.')
  setResponseStatus(event, 201)
  return { name: person.name, path: await makePasswordLink(database.db, person.id) }
})
