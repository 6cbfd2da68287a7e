import { defineEventHandler } from 'h3'
import { broadcastNowBody, type BroadcastsView } from '../../../contract/broadcasts.ts'
import { broadcastView, bringUpToDate } from '../../broadcasts/broadcasts.ts'
import { withBroadcasts } from '../../broadcasts/surroundings.ts'
import { addMark, listBroadcasts } from '../../db/queries/broadcasts.ts'
import { readChecked } from '../../http/readChecked.ts'

/** Says that a broadcast begins now, or that it ends. Said twice, it is said once. */
export default defineEventHandler(async (event): Promise<BroadcastsView> => {
  const { channelId, db, nowMs } = await withBroadcasts(event, 'moderator')
  const { isOn } = await readChecked(event, broadcastNowBody)
  await addMark(db, { channelId, at: new Date(nowMs), is: isOn ? 'begin' : 'end', by: 'hand' })
  await bringUpToDate(db, channelId, nowMs)
  return { broadcasts: (await listBroadcasts(db, channelId)).map(broadcastView) }
})
