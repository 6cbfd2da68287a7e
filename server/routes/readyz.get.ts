import { defineEventHandler } from 'h3'
import { askDatabase } from '../db/probe.ts'
import { isDiskFull } from '../db/trouble.ts'
import { problemError } from '../system/problemError.ts'
import { useDatabase } from '../db/port.ts'

/** Ready when the database answers, within two seconds, and has room. */
export default defineEventHandler(async () => {
  const { database, trouble } = await useDatabase()
  try {
    await askDatabase(database)
  } catch (error) {
    trouble.note(error)
    if (!isDiskFull(error)) throw problemError(503, 'The database does not answer.')
  }
  if (trouble.why === 'full')
    throw problemError(507, 'There is no room left on the disk: nothing new is taken until there is.')
  if (trouble.why === 'gone')
    throw problemError(503, 'The database has just come back; what was in doubt is being looked up.')
  return { status: 'ready', database: database.kind }
})
