import { defineEventHandler } from 'h3'
import type { RoomView } from '../../../../contract/keeping.ts'
import { requireMember } from '../../../auth/access.ts'
import { roomOf } from '../../../keeping/room.ts'

/** What the channel takes, and how much room there is. */
export default defineEventHandler(async (event): Promise<RoomView> => {
  const { channel } = await requireMember(event, 'owner')
  return roomOf(channel.id)
})
