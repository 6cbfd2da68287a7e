import { setResponseStatus, type H3Event } from 'h3'
import { requireMember } from '../auth/access.ts'
import { findFeed, updateFeed } from '../db/queries/feeds.ts'
import { pathId } from '../http/pathId.ts'
import { problemError } from '../system/problemError.ts'
import { useChannels } from '../channel/port.ts'
import { useScreens } from '../live/port.ts'
import { useDatabase } from '../db/port.ts'
import { noteDeed } from '../channel/trail.ts'

/** Lets a feed of the member's own channel be heard, or not. */
export async function setFeedLinked(event: H3Event, isLinked: boolean): Promise<null> {
  const session = await requireMember(event, 'owner')
  const { channel } = session
  const { database } = await useDatabase()
  const { feeds } = await useChannels()
  const { stream } = await useScreens()
  const feed = await findFeed(database.db, pathId(event, 'feedId'))
  if (!feed || feed.channelId !== channel.id) throw problemError(404, 'There is no such feed in this channel.')
  await updateFeed(database.db, feed.id, { unlinkedAt: isLinked ? null : new Date() })
  feeds.forget(feed.id)
  stream.changed(channel.id)
  await noteDeed(session, isLinked ? 'linkedFeed' : 'unlinkedFeed', feed.name)
  setResponseStatus(event, 204)
  return null
}
