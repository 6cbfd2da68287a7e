import { defineEventHandler } from 'h3'
import type { MediaView } from '../../../contract/views.ts'
import { requireMember } from '../../auth/access.ts'
import { mediaUrl } from '../../boxes/onAir.ts'
import { listMedia } from '../../db/queries/media.ts'
import { useServices } from '../../system/services.ts'

export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useServices()
  const media: MediaView[] = (await listMedia(database.db, channel.id)).map(({ channelId: _channel, ...file }) => ({ ...file, url: mediaUrl(file.id) }))
  return { media }
})
