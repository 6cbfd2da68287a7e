import { defineEventHandler, setResponseStatus } from 'h3'
import { sessionIdIn } from '../../auth/access.ts'
import { clearSessionCookie } from '../../auth/sessionCookie.ts'
import { endSession } from '../../db/queries/people.ts'
import { useScreens } from '../../live/port.ts'
import { useDatabase } from '../../db/port.ts'
import { useSignIn } from '../../auth/port.ts'

export default defineEventHandler(async (event) => {
  const { database } = await useDatabase()
  const { secret } = await useSignIn()
  const { endSessionScreens } = await useScreens()
  const id = await sessionIdIn(event)
  if (id) {
    await endSession(database.db, id)
    endSessionScreens(id)
  }
  await clearSessionCookie(event, secret)
  setResponseStatus(event, 204)
  return null
})
