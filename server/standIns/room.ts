import type { H3Event } from 'h3'
import { useDatabase } from '../db/port.ts'
import { findFeed, type FeedRow } from '../db/queries/feeds.ts'
import { pathId } from '../http/pathId.ts'
import { problemError } from '../system/problemError.ts'
import { useStandIns } from './port.ts'

/** The simulated chat that an address names. @throws 404 where there is none */
export async function roomOf(event: H3Event): Promise<{ feed: FeedRow } & Awaited<ReturnType<typeof useStandIns>>> {
  const [{ database }, standIns] = await Promise.all([useDatabase(), useStandIns()])
  const feed = await findFeed(database.db, pathId(event, 'feedId'))
  if (!feed || feed.unlinkedAt !== null || !standIns.platforms.hasChat(feed.platform))
    throw problemError(404, 'There is no such chat.')
  return { feed, ...standIns }
}
