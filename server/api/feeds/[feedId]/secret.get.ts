import { defineEventHandler, getRequestURL, setResponseHeader } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { findFeed } from '../../../db/queries/feeds.ts'
import { pathId } from '../../../http/pathId.ts'
import { problemError } from '../../../system/problemError.ts'
import { useDatabase } from '../../../db/port.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** The signing secret and the address to enter on the platform. Asked for on purpose. */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'owner')
  const { database } = await useDatabase()
  const feed = await findFeed(database.db, pathId(event, 'feedId'))
  if (!feed || feed.channelId !== session.channel.id) throw problemError(404, 'There is no such feed in this channel.')
  await noteDeed(session, 'sawSecret', feed.name)
  setResponseHeader(event, 'cache-control', 'no-store')
  return { secret: feed.secret, url: `${getRequestURL(event).origin}/api/feeds/${feed.id}/deliveries` }
})
