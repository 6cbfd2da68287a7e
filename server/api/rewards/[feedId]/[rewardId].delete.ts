import { defineEventHandler, setResponseStatus } from 'h3'
import { pathId } from '../../../http/pathId.ts'
import { problemError } from '../../../system/problemError.ts'
import { feedWithRewards } from '../../../triggers/rewardViews.ts'
import { withCalls } from '../../../triggers/surroundings.ts'

/** Takes a reward off its platform. */
export default defineEventHandler(async (event) => {
  const { session, db, standIns, changed } = await withCalls(event, 'editor')
  const feed = await feedWithRewards(db, session.channel.id, pathId(event, 'feedId'), standIns.platforms)
  if (!(await standIns.platforms.removeReward(feed, pathId(event, 'rewardId'))))
    throw problemError(404, `${feed.name} has no such reward any more.`)
  changed()
  setResponseStatus(event, 204)
  return null
})
