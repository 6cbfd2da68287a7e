import { defineEventHandler } from 'h3'
import { demoPassword, demoPeople } from '../../../demo/people.ts'
import { readSession } from '../../auth/access.ts'
import { callerOf } from '../../http/caller.ts'
import { hasAnyPerson } from '../../db/queries/people.ts'
import { machineOf } from '../../realtime/machineOf.ts'
import { useDatabase } from '../../db/port.ts'
import { useRuntime } from '../../system/runtimePort.ts'

/** Who is signed in, null for nobody; and whether the first account is still to be made. */
export default defineEventHandler(async (event) => {
  const session = await readSession(event)
  const { database } = await useDatabase()
  const { config } = await useRuntime()
  const caller = callerOf(event)
  return {
    session,
    machine: machineOf(caller.address, caller.isForwarded),
    needsWelcome: session === null && !(await hasAnyPerson(database.db)),
    // Nobody can guess the accounts of the demo; a server with its own data shows none.
    demoAccounts:
      // Whoever is passed on to it, by a proxy or under another name, is no guest of the demo either.
      config.THUNDERCREST_DEMO && session === null && (caller.isOfThisMachine || import.meta.dev)
        ? demoPeople.map(({ email, name, role }) => ({ email, name, role, password: demoPassword }))
        : [],
  }
})
