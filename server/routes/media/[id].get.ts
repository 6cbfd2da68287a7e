import { defineEventHandler } from 'h3'
import { findMedia } from '../../db/queries/media.ts'
import { pathId } from '../../http/pathId.ts'
import { sendMedia } from '../../media/sendMedia.ts'
import { useDatabase } from '../../db/port.ts'

/**
 * A media file. Its address is the hash of its content: nobody guesses it, and it can be cached for good. Sources have
 * no cookie to show, so whoever has the address may read the file, and nothing in it can run.
 */
export default defineEventHandler(async (event) => {
  const id = pathId(event, 'id')
  const { database } = await useDatabase()
  const facts = await findMedia(database.db, id)
  return sendMedia(event, facts && { id, mime: facts.mime })
})
