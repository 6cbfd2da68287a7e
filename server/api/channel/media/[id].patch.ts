import { defineEventHandler } from 'h3'
import { mediaChange } from '../../../../contract/media.ts'
import { requireMember } from '../../../auth/access.ts'
import { changeMedia } from '../../../db/queries/media.ts'
import { ownMedia } from '../../../media/ownMedia.ts'
import { mediaView } from '../../../media/mediaViews.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useDatabase } from '../../../db/port.ts'
import { useMedia } from '../../../media/port.ts'

/** Names and tags a file. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const row = await ownMedia(event, channel.id)
  const { name, tags } = await readChecked(event, mediaChange)
  const { database } = await useDatabase()
  const { library } = await useMedia()
  // Only what is to change: a name and tags that are given right after each other are both kept.
  const changes = { ...(name === undefined ? {} : { name }), ...(tags ? { tags: [...new Set(tags)] } : {}) }
  if (Object.keys(changes).length === 0) return mediaView(row)
  const changed = await changeMedia(database.db, channel.id, row.id, changes)
  library.changed(channel.id)
  return mediaView(changed ?? row)
})
