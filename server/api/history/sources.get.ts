import { defineEventHandler } from 'h3'
import { listSources } from '../../db/queries/history.ts'
import { sourceViews } from '../../history/historyViews.ts'
import { withHistory } from '../../history/surroundings.ts'

/** Where the events of a channel have come from. */
export default defineEventHandler(async (event) => {
  const { channelId, db } = await withHistory(event, 'moderator')
  return { sources: await sourceViews(db, channelId, await listSources(db, channelId)) }
})
