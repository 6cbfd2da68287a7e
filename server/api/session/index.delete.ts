import { defineEventHandler, setResponseStatus } from 'h3'
import { clearSessionCookie, readSessionCookie, sessionIdOf } from '../../auth/sessionCookie.ts'
import { endSession } from '../../db/queries/people.ts'
import { useServices } from '../../system/services.ts'

export default defineEventHandler(async (event) => {
  const { database, secret } = await useServices()
  const key = await readSessionCookie(event, secret)
  if (key) await endSession(database.db, sessionIdOf(key))
  await clearSessionCookie(event, secret)
  setResponseStatus(event, 204)
  return null
})
