import { defineEventHandler } from 'h3'
import { readSession } from '../../auth/access.ts'
import { hasAnyPerson } from '../../db/queries/people.ts'
import { useServices } from '../../system/services.ts'

/** Who is signed in, null for nobody; and whether the first account is still to be made. */
export default defineEventHandler(async (event) => {
  const session = await readSession(event)
  const { database } = await useServices()
  return { session, needsWelcome: session === null && !(await hasAnyPerson(database.db)) }
})
