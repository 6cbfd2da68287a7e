import { defineEventHandler } from 'h3'
import type { RewardView } from '../../../contract/triggers.ts'
import { listFeeds } from '../../db/queries/feeds.ts'
import { withCalls } from '../../triggers/surroundings.ts'
import { rewardView } from '../../triggers/rewardViews.ts'

/** The rewards of the channel's feeds, as they are on their platforms now. */
export default defineEventHandler(
  async (event): Promise<{ rewards: RewardView[]; feeds: { id: string; name: string }[] }> => {
    const { session, standIns, db } = await withCalls(event, 'moderator')
    const { platformDesk, platforms } = standIns
    const [listed, feeds] = await Promise.all([
      platformDesk.rewards(session.channel.id),
      listFeeds(db, session.channel.id),
    ])
    return {
      rewards: listed.map(({ feed, reward }) => rewardView(feed, reward)),
      feeds: feeds
        .filter(({ platform, unlinkedAt }) => unlinkedAt === null && platforms.hasRewards(platform))
        .map(({ id, name }) => ({ id, name })),
    }
  },
)
