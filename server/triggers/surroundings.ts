import { getRequestURL, type H3Event } from 'h3'
import type { Role, SessionView } from '../../contract/views.ts'
import { requireMember } from '../auth/access.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'
import { findTrigger, type TriggerRow } from '../db/queries/triggers.ts'
import { pathId } from '../http/pathId.ts'
import { useStandIns } from '../standIns/port.ts'
import { problemError } from '../system/problemError.ts'
import { useCalls } from './port.ts'
import { triggersView } from './triggerViews.ts'

/** What handlers of triggers work with, for a member who is at least this. @throws 401 or 403 */
export async function withCalls(event: H3Event, atLeast: Role) {
  const session = await requireMember(event, atLeast)
  const [{ database }, { onAir }, { calls, callsChanged }, standIns] = await Promise.all([
    useDatabase(),
    useChannels(),
    useCalls(),
    useStandIns(),
  ])
  return { ...{ session, calls, onAir, standIns }, db: database.db, changed: () => callsChanged(session.channel.id) }
}

export const listUrlOf = (event: H3Event, channelId: string): string =>
  `${getRequestURL(event).origin}/list/${channelId}`

/** All triggers of the member's channel, as they are now. */
export async function answerTriggers(
  event: H3Event,
  { session, db, onAir, standIns }: Awaited<ReturnType<typeof withCalls>>,
) {
  const { id } = session.channel
  return triggersView(db, id, await onAir.read(id), listUrlOf(event, id), await standIns.standInsAnswer())
}

/** The trigger that an address names. @throws 404 where the channel has none such */
export async function ownTrigger(event: H3Event, channel: SessionView['channel']): Promise<TriggerRow> {
  const { database } = await useDatabase()
  const row = await findTrigger(database.db, channel.id, pathId(event, 'triggerId'))
  if (!row) throw problemError(404, 'There is no such trigger in this channel.')
  return row
}
