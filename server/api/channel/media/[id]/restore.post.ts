import { defineEventHandler } from 'h3'
import { requireMember } from '../../../../auth/access.ts'
import { setMediaDeleted } from '../../../../db/queries/media.ts'
import { mediaView } from '../../../../media/mediaViews.ts'
import { ownMedia } from '../../../../media/ownMedia.ts'
import { useDatabase } from '../../../../db/port.ts'
import { useMedia } from '../../../../media/port.ts'

/** Brings a deleted file back. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const row = await ownMedia(event, channel.id)
  const { database } = await useDatabase()
  const { library } = await useMedia()
  await setMediaDeleted(database.db, channel.id, row.id, null)
  library.changed(channel.id)
  return mediaView(row)
})
