import { defineEventHandler } from 'h3'
import { findMedia } from '../../../db/queries/media.ts'
import { pathId } from '../../../http/pathId.ts'
import { sendMedia } from '../../../media/sendMedia.ts'
import { useServices } from '../../../system/services.ts'

/** A small picture of a media file. */
export default defineEventHandler(async (event) => {
  const { database } = await useServices()
  const facts = await findMedia(database.db, pathId(event, 'id'))
  return sendMedia(event, facts?.posterId ? { id: facts.posterId, mime: 'image/webp' } : null)
})
