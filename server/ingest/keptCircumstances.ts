import { plainCircumstances, type Circumstances } from '../../core/rules/circumstances.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { Database } from '../db/handle.ts'
import type { EventRow } from '../db/queries/events.ts'
import { previousTimes } from '../db/queries/viewerHistory.ts'
import { circumstancesOf } from './decideEvents.ts'

/** What surrounded an event that is kept, found out again. Of a test it is only known what tests usually pretend. */
export async function keptCircumstances(
  db: Database,
  { channelId, source, kind, externalId, occurredAt, data, isTest }: EventRow,
  channel: ChannelOnAir,
): Promise<Circumstances> {
  if (isTest) return plainCircumstances
  const { viewer } = data
  const [previousAtMs = null] = viewer
    ? await previousTimes(db, channelId, [
        { source, kind, externalId, viewerId: viewer.id, occurredAtMs: occurredAt.getTime() },
      ])
    : []
  return circumstancesOf(source, previousAtMs, channel)
}
