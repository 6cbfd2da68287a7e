import type { H3Event } from 'h3'
import type { Role } from '../../contract/views.ts'
import { requireMember } from '../auth/access.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'
import { useScreens } from '../live/port.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { useSponsors } from './port.ts'
import { sponsorsView } from './sponsorViews.ts'

/** What handlers of sponsors work with, for a member who is at least this. @throws 401 or 403 */
export async function withSponsors(event: H3Event, atLeast: Role) {
  const session = await requireMember(event, atLeast)
  const [{ database }, { onAir }, { goUrl }, { stream }, { clock }] = await Promise.all([
    useDatabase(),
    useChannels(),
    useSponsors(),
    useScreens(),
    useRuntime(),
  ])
  const { id: channelId } = session.channel
  const { db } = database
  const nowMs = clock.wallMs()
  const channel = () => onAir.read(channelId)
  return {
    ...{ channelId, db, nowMs, channel },
    changed: () => stream.changed(channelId, 'sponsors'),
    view: async () => sponsorsView({ db, channelId, channel: await channel(), nowMs, goUrl }),
  }
}
