import { defineEventHandler } from 'h3'
import type { NightChannel } from '../../../contract/nights.ts'
import { requireMember } from '../../auth/access.ts'
import { useChannels } from '../../channel/port.ts'

/** What events meet in this channel, for whoever rehearses a night. */
export default defineEventHandler(async (event): Promise<NightChannel> => {
  const { channel: own } = await requireMember(event, 'moderator')
  const { onAir } = await useChannels()
  const { flags: _flags, historyKinds: _kinds, boxes: _boxes, boards: _boards, ...channel } = await onAir.read(own.id)
  return channel
})
