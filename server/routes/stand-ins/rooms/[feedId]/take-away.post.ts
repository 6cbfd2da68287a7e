import { defineEventHandler } from 'h3'
import { chatTakeAwayBody } from '../../../../../contract/simulatedChat.ts'
import { readChecked } from '../../../../http/readChecked.ts'
import { roomOf } from '../../../../standIns/room.ts'
import { problemError } from '../../../../system/problemError.ts'

/** A moderator of a simulated chat takes a line away; the platform hands that on, signed. */
export default defineEventHandler(async (event) => {
  const { feed, simulated } = await roomOf(event)
  const { viewer, lineId } = await readChecked(event, chatTakeAwayBody)
  if (!viewer.roles.includes('moderator')) throw problemError(403, 'Only moderators take lines away.')
  if (!(await simulated.takeAway(feed, lineId))) throw problemError(404, 'This line is not there any more.')
  return { ok: true }
})
