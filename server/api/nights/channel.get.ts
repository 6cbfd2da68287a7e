import { defineEventHandler } from 'h3'
import type { NightChannel } from '../../../contract/nights.ts'
import { withBroadcasts } from '../../broadcasts/surroundings.ts'

/** What events meet in this channel, for whoever rehearses a night. */
export default defineEventHandler(async (event): Promise<NightChannel> => {
  const { channelId, onAir } = await withBroadcasts(event, 'moderator')
  const {
    flags: _flags,
    historyKinds: _kinds,
    boxes: _boxes,
    boards: _boards,
    ...channel
  } = await onAir.read(channelId)
  return channel
})
