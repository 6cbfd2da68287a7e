import { sql } from 'drizzle-orm'
import { defineEventHandler } from 'h3'
import { problemError } from '../system/problemError.ts'
import { useServices } from '../system/services.ts'

/** Ready when the database answers. */
export default defineEventHandler(async () => {
  try {
    const { database } = await useServices()
    await database.db.execute(sql`select 1`)
    return { status: 'ready', database: database.kind }
  } catch {
    throw problemError(503, 'The database does not answer yet.')
  }
})
