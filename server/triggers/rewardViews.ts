import type { Reward, RewardView } from '../../contract/triggers.ts'
import { listFeeds, type FeedRow } from '../db/queries/feeds.ts'
import type { Database } from '../db/handle.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import type { PlatformAccess } from '../platforms/access.ts'
import { problemError } from '../system/problemError.ts'

export const rewardView = (feed: FeedRow, reward: Reward): RewardView => ({
  ...{ feedId: feed.id, feedName: feed.name, source: feedSource(feed.id) },
  ...reward,
  isChangeable: true,
})

/** The feed of a channel whose rewards are to be changed. @throws 404 or 409 */
export async function feedWithRewards(
  db: Database,
  channelId: string,
  feedId: string,
  platforms: PlatformAccess,
): Promise<FeedRow> {
  const feed = (await listFeeds(db, channelId)).find(({ id }) => id === feedId)
  if (!feed) throw problemError(404, 'There is no such feed in this channel.')
  if (feed.unlinkedAt !== null) throw problemError(409, 'This feed is not linked at the moment.')
  if (!platforms.hasRewards(feed.platform)) throw problemError(409, `${feed.name} has no rewards for points.`)
  return feed
}
