import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { removeIntake } from '../../../db/queries/intake.ts'
import { pathId } from '../../../http/pathId.ts'
import { problemError } from '../../../system/problemError.ts'
import { useDatabase } from '../../../db/port.ts'
import { useMedia } from '../../../media/port.ts'

/** Takes a file that was refused, or that arrived, off the list of arrivals. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const { database } = await useDatabase()
  const { library } = await useMedia()
  if (!(await removeIntake(database.db, channel.id, pathId(event, 'id'))))
    throw problemError(404, 'There is no such file on its way, or it is still being measured.')
  library.changed(channel.id)
  setResponseStatus(event, 204)
  return null
})
