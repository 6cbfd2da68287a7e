import { defineEventHandler, setResponseHeader } from 'h3'
import { withTipPage } from '../../../tips/surroundings.ts'
import { tipView } from '../../../tips/tipViews.ts'

/** What anybody may read: a channel's tip page, with what it takes to show the alert as it will play. */
export default defineEventHandler(async (event) => {
  const { of } = await withTipPage(event)
  setResponseHeader(event, 'cache-control', 'public, max-age=2')
  return tipView(await of())
})
