import { defineEventHandler } from 'h3'
import { findSmallPicture } from '../../../db/queries/media.ts'
import { pathId } from '../../../http/pathId.ts'
import { sendMedia } from '../../../media/sendMedia.ts'
import { useDatabase } from '../../../db/port.ts'

/** The course of an animation or a video in a few small pictures. */
export default defineEventHandler(async (event) => {
  const { database } = await useDatabase()
  const pictureId = await findSmallPicture(database.db, pathId(event, 'id'), 'stripId')
  return sendMedia(event, pictureId ? { id: pictureId, mime: 'image/webp' } : null)
})
