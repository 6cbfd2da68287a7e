import { defineEventHandler } from 'h3'
import { withBroadcasts } from '../../broadcasts/surroundings.ts'
import { findBroadcast } from '../../db/queries/broadcasts.ts'
import { sendHistory } from '../../history/sendHistory.ts'
import { pathId } from '../../http/pathId.ts'
import { problemError } from '../../system/problemError.ts'

/** All that happened in a broadcast, oldest first, as NDJSON of CloudEvents: a night that can be rehearsed, here or elsewhere. */
export default defineEventHandler(async (event) => {
  const { channelId, db, onAir, nowMs } = await withBroadcasts(event, 'moderator')
  const found = await findBroadcast(db, channelId, pathId(event, 'broadcastId'))
  if (!found) throw problemError(404, 'There is no such broadcast in this channel.')
  const { locale } = await onAir.read(channelId)
  // What ends with its last event contains that.
  const wish = { fromMs: found.beganAt.getTime(), untilMs: (found.endedAt?.getTime() ?? nowMs) + 1 }
  await sendHistory(event, 'ndjson', { db, channelId, locale, wish })
})
