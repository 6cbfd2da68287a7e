import { defineEventHandler, setResponseHeader } from 'h3'
import { linkView } from '../../studio/linkView.ts'
import { withCalls } from '../../triggers/surroundings.ts'

/** Where a broadcast program links to, and with which secret. Asked for on purpose. */
export default defineEventHandler(async (event) => {
  const { session, db } = await withCalls(event, 'editor')
  setResponseHeader(event, 'cache-control', 'no-store')
  return linkView(event, db, session.channel.id, false)
})
