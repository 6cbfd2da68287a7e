import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { changeBox } from '../../../boxes/changeBox.ts'
import { pathId } from '../../../http/pathId.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Puts a box away. It can be brought back: what it is and what it played stays. */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'editor')
  const box = await changeBox(session.channel.id, pathId(event, 'boxId'), { isPutAway: true })
  await noteDeed(session, 'putAway', box.name)
  setResponseStatus(event, 204)
  return null
})
