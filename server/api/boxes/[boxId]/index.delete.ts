import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { changeBox } from '../../../boxes/changeBox.ts'
import { pathId } from '../../../http/pathId.ts'

/** Puts a box away. It can be brought back: what it is and what it played stays. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  await changeBox(channel.id, pathId(event, 'boxId'), { isPutAway: true })
  setResponseStatus(event, 204)
  return null
})
