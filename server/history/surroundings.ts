import type { H3Event } from 'h3'
import type { Role } from '../../contract/views.ts'
import { requireActor } from '../auth/access.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'

/** What handlers of the history work with. @throws 401 or 403 */
export async function withHistory(event: H3Event, atLeast: Role) {
  const { channel: of } = await requireActor(event, 'read', atLeast)
  const { id: channelId, locale } = of
  const [{ database }, { onAir }] = await Promise.all([useDatabase(), useChannels()])
  return { channelId, locale, db: database.db, channel: await onAir.read(channelId) }
}
