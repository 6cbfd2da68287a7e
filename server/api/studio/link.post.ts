import { defineEventHandler, setResponseHeader } from 'h3'
import { linkView } from '../../studio/linkView.ts'
import { useCalls } from '../../triggers/port.ts'
import { withCalls } from '../../triggers/surroundings.ts'

/** Gives the link another secret: who knows the one before is cut off. */
export default defineEventHandler(async (event) => {
  const { session, db } = await withCalls(event, 'editor')
  const { id } = session.channel
  setResponseHeader(event, 'cache-control', 'no-store')
  const view = await linkView(event, db, id, true)
  const { leaveStudio } = await useCalls()
  leaveStudio(id, 'the secret was replaced')
  return view
})
