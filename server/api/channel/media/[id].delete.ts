import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { setMediaDeleted } from '../../../db/queries/media.ts'
import { ownMedia } from '../../../media/ownMedia.ts'
import { useDatabase } from '../../../db/port.ts'
import { useMedia } from '../../../media/port.ts'

/** Takes a file out of the library. What uses it plays on, and it can be brought back. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const { id } = await ownMedia(event, channel.id)
  const { database } = await useDatabase()
  const { library } = await useMedia()
  await setMediaDeleted(database.db, channel.id, id, new Date())
  library.changed(channel.id)
  setResponseStatus(event, 204)
  return null
})
