import { defineEventHandler } from 'h3'
import type { RoomView } from '../../../../contract/keeping.ts'
import { requireMember } from '../../../auth/access.ts'
import { noteDeed } from '../../../channel/trail.ts'
import { useDatabase } from '../../../db/port.ts'
import { listUnusedMedia, removeMedia } from '../../../db/queries/keeping.ts'
import { roomOf } from '../../../keeping/room.ts'
import { useMedia } from '../../../media/port.ts'

/** Removes files that are out of the library and that nothing uses, for good. */
export default defineEventHandler(async (event): Promise<RoomView> => {
  const session = await requireMember(event, 'owner')
  const [{ database }, { media }] = await Promise.all([useDatabase(), useMedia()])
  const unused = await listUnusedMedia(database.db, session.channel.id)
  const free = await removeMedia(
    database.db,
    session.channel.id,
    unused.map(({ id }) => id),
  )
  for (const id of free) await media.remove(id)
  if (unused.length > 0) await noteDeed(session, 'cleanedUp', 'files', `${unused.length} files`)
  return roomOf(session.channel.id)
})
