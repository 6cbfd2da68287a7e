import { defineEventHandler, setResponseStatus } from 'h3'
import { sessionIdIn } from '../../auth/access.ts'
import { clearSessionCookie } from '../../auth/sessionCookie.ts'
import { endSession } from '../../db/queries/people.ts'
import { useServices } from '../../system/services.ts'

export default defineEventHandler(async (event) => {
  const { database, secret, endSessionScreens } = await useServices()
  const id = await sessionIdIn(event)
  if (id) {
    await endSession(database.db, id)
    endSessionScreens(id)
  }
  await clearSessionCookie(event, secret)
  setResponseStatus(event, 204)
  return null
})
