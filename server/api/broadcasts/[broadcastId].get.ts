import { defineEventHandler, getQuery } from 'h3'
import type { BroadcastReportView } from '../../../contract/broadcasts.ts'
import { broadcastCsv } from '../../broadcasts/broadcastCsv.ts'
import { broadcastView, reportOf } from '../../broadcasts/broadcasts.ts'
import { withBroadcasts } from '../../broadcasts/surroundings.ts'
import { findBroadcast } from '../../db/queries/broadcasts.ts'
import { listBoxNames } from '../../db/queries/boxes.ts'
import { pathId } from '../../http/pathId.ts'
import { saysFile } from '../../http/saysFile.ts'
import { problemError } from '../../system/problemError.ts'

/** What became of a broadcast; with `?as=csv` what came and what was shown in each of its slots, as a table. */
export default defineEventHandler(async (event): Promise<BroadcastReportView | string> => {
  const { channelId, db, onAir, nowMs } = await withBroadcasts(event, 'moderator')
  const row = await findBroadcast(db, channelId, pathId(event, 'broadcastId'))
  if (!row) throw problemError(404, 'There is no such broadcast in this channel.')
  const [report, names] = await Promise.all([
    reportOf(db, channelId, row, await onAir.read(channelId), nowMs),
    listBoxNames(db, channelId),
  ])
  const view = { broadcast: broadcastView(row), report, boxNames: Object.fromEntries(names) }
  if (getQuery(event).as !== 'csv') return view
  saysFile(event, 'broadcast', 'csv')
  return broadcastCsv(view)
})
