import { defineEventHandler } from 'h3'
import type { BroadcastsView } from '../../../contract/broadcasts.ts'
import { broadcastView } from '../../broadcasts/broadcasts.ts'
import { withBroadcasts } from '../../broadcasts/surroundings.ts'
import { listBroadcasts } from '../../db/queries/broadcasts.ts'

/** The broadcasts of the channel, newest first. */
export default defineEventHandler(async (event): Promise<BroadcastsView> => {
  const { channelId, db } = await withBroadcasts(event, 'moderator')
  return { broadcasts: (await listBroadcasts(db, channelId)).map(broadcastView) }
})
