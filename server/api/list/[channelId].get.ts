import { defineEventHandler, setResponseHeader } from 'h3'
import type { ListView } from '../../../contract/triggers.ts'
import { useChannels } from '../../channel/port.ts'
import { useDatabase } from '../../db/port.ts'
import { readChannel } from '../../db/queries/people.ts'
import { readGateStates } from '../../db/queries/runs.ts'
import { feedSource } from '../../../core/events/feedSource.ts'
import { pathId } from '../../http/pathId.ts'
import { useStandIns } from '../../standIns/port.ts'
import { problemError } from '../../system/problemError.ts'
import { listView } from '../../triggers/listView.ts'

/** What anybody may read: what viewers of a channel can set off, what it costs and who may. */
export default defineEventHandler(async (event): Promise<ListView> => {
  const channelId = pathId(event, 'channelId')
  const [{ database }, { onAir }, { platformDesk }] = await Promise.all([useDatabase(), useChannels(), useStandIns()])
  const row = await readChannel(database.db, channelId)
  if (!row) throw problemError(404, 'There is no such channel here.')
  const [channel, states, rewards] = await Promise.all([
    onAir.read(channelId),
    readGateStates(database.db, channelId),
    platformDesk.rewards(channelId),
  ])
  setResponseHeader(event, 'cache-control', 'public, max-age=5')
  return listView(
    row.name,
    channel,
    new Map([...states].map(([id, { left }]) => [id, left])),
    rewards.map(({ feed, reward }) => ({ source: feedSource(feed.id), feedName: feed.name, reward })),
  )
})
