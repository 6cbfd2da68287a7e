import { defineEventHandler } from 'h3'
import { findSmallPicture } from '../../../db/queries/media.ts'
import { pathId } from '../../../http/pathId.ts'
import { sendMedia } from '../../../media/sendMedia.ts'
import { useDatabase } from '../../../db/port.ts'

/** A small picture of a media file. */
export default defineEventHandler(async (event) => {
  const { database } = await useDatabase()
  const pictureId = await findSmallPicture(database.db, pathId(event, 'id'), 'posterId')
  return sendMedia(event, pictureId ? { id: pictureId, mime: 'image/webp' } : null)
})
