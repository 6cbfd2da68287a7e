import { defineEventHandler, setResponseStatus } from 'h3'
import { rewardBody, type RewardView } from '../../../contract/triggers.ts'
import { readChecked } from '../../http/readChecked.ts'
import { feedWithRewards, rewardView } from '../../triggers/rewardViews.ts'
import { withCalls } from '../../triggers/surroundings.ts'

/** Makes a reward on a platform. */
export default defineEventHandler(async (event): Promise<RewardView> => {
  const { session, db, standIns, changed } = await withCalls(event, 'editor')
  const { feedId, ...fields } = await readChecked(event, rewardBody)
  const feed = await feedWithRewards(db, session.channel.id, feedId, standIns.platforms)
  const reward = await standIns.platforms.makeReward(feed, fields)
  changed()
  setResponseStatus(event, 201)
  return rewardView(feed, reward)
})
