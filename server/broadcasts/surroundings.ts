import type { H3Event } from 'h3'
import type { Role } from '../../contract/views.ts'
import { requireMember } from '../auth/access.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { bringUpToDate } from './broadcasts.ts'

/** What handlers of broadcasts work with, told up to now. @throws 401 or 403 */
export async function withBroadcasts(event: H3Event, atLeast: Role) {
  const { channel: own } = await requireMember(event, atLeast)
  const [{ database }, { onAir }, { clock }] = await Promise.all([useDatabase(), useChannels(), useRuntime()])
  const nowMs = clock.wallMs()
  await bringUpToDate(database.db, own.id, nowMs)
  return { channelId: own.id, db: database.db, onAir, nowMs }
}
