import { defineEventHandler } from 'h3'
import { rewardChange, type RewardView } from '../../../../contract/triggers.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { feedWithRewards, rewardView } from '../../../triggers/rewardViews.ts'
import { withCalls } from '../../../triggers/surroundings.ts'

/** Renames a reward on its platform, prices it, pauses it or gives it stock. What it starts stays bound to it. */
export default defineEventHandler(async (event): Promise<RewardView> => {
  const { session, db, standIns, changed } = await withCalls(event, 'editor')
  const feed = await feedWithRewards(db, session.channel.id, pathId(event, 'feedId'), standIns.platforms)
  const fields = await readChecked(event, rewardChange)
  const reward = await standIns.platforms.changeReward(feed, pathId(event, 'rewardId'), fields)
  if (!reward) throw problemError(404, `${feed.name} has no such reward any more.`)
  changed()
  return rewardView(feed, reward)
})
