import { defineEventHandler } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { listMedia } from '../../../db/queries/media.ts'
import { mediaView } from '../../../media/mediaViews.ts'
import { useDatabase } from '../../../db/port.ts'
import { useMedia } from '../../../media/port.ts'

/** The channel's library, and what is on its way into it. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'desk')
  const { database } = await useDatabase()
  const { library } = await useMedia()
  const [media, intake] = await Promise.all([listMedia(database.db, channel.id), library.listIntake(channel.id)])
  return { media: media.map(mediaView), intake }
})
