import { defineEventHandler } from 'h3'
import { findMedia } from '../../../db/queries/media.ts'
import { pathId } from '../../../http/pathId.ts'
import { sendMedia } from '../../../media/sendMedia.ts'
import { useServices } from '../../../system/services.ts'

/** The course of an animation or a video in a few small pictures. */
export default defineEventHandler(async (event) => {
  const { database } = await useServices()
  const facts = await findMedia(database.db, pathId(event, 'id'))
  return sendMedia(event, facts?.stripId ? { id: facts.stripId, mime: 'image/webp' } : null)
})
