import { defineEventHandler, getQuery } from 'h3'
import { withOwnTips } from '../../tips/surroundings.ts'
import { tipDeskView } from '../../tips/tipViews.ts'

/** The channel's own tip page: what it says, what it brought, and its receipts, the newest first. */
export default defineEventHandler(async (event) => {
  const { of, tips, channelId } = await withOwnTips(event, 'moderator')
  const before = Number(getQuery(event).before)
  return tipDeskView(await of(), tips.tipUrl(channelId), Number.isSafeInteger(before) && before > 0 ? before : null)
})
