import { defineEventHandler } from 'h3'
import { browserSight } from '../../../../../contract/media.ts'
import { requireMember } from '../../../../auth/access.ts'
import { changeMedia } from '../../../../db/queries/media.ts'
import { readChecked } from '../../../../http/readChecked.ts'
import { keepSight } from '../../../../media/keepSight.ts'
import { mediaView } from '../../../../media/mediaViews.ts'
import { ownMedia } from '../../../../media/ownMedia.ts'
import { useDatabase } from '../../../../db/port.ts'
import { useMedia } from '../../../../media/port.ts'

const maxBytes = 1024 * 1024

/** What a browser saw of a video or a vector animation, which only browsers decode. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const row = await ownMedia(event, channel.id)
  const sight = await readChecked(event, browserSight, maxBytes)
  const { database } = await useDatabase()
  const { library, media } = await useMedia()
  const changes = await keepSight(media, row, sight)
  await changeMedia(database.db, channel.id, row.id, changes)
  library.changed(channel.id)
  return mediaView({ ...row, ...changes })
})
