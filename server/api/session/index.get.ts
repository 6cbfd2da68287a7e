import { defineEventHandler, getRequestHeader, getRequestIP } from 'h3'
import { demoPassword, demoPeople } from '../../../demo/people.ts'
import { readSession } from '../../auth/access.ts'
import { hasAnyPerson } from '../../db/queries/people.ts'
import { machineOf } from '../../realtime/machineOf.ts'
import { useServices } from '../../system/services.ts'

/** Who is signed in, null for nobody; and whether the first account is still to be made. */
export default defineEventHandler(async (event) => {
  const session = await readSession(event)
  const { database, config } = await useServices()
  return {
    session,
    machine: machineOf(getRequestIP(event), getRequestHeader(event, 'x-forwarded-for') !== undefined),
    needsWelcome: session === null && !(await hasAnyPerson(database.db)),
    // Nobody can guess the accounts of the demo; a server with its own data shows none.
    demoAccounts:
      config.THUNDERCREST_DEMO && session === null
        ? demoPeople.map(({ email, name, role }) => ({ email, name, role, password: demoPassword }))
        : [],
  }
})
