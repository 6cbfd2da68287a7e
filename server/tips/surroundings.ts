import type { H3Event } from 'h3'
import type { Role } from '../../contract/views.ts'
import { requireMember } from '../auth/access.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'
import { readChannel } from '../db/queries/people.ts'
import { pathId } from '../http/pathId.ts'
import { problemError } from '../system/problemError.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { useTips } from './port.ts'
import type { TipChannel } from './tipViews.ts'

async function withTips(channelId: string) {
  const [{ database }, channels, tips, { clock }] = await Promise.all([
    useDatabase(),
    useChannels(),
    useTips(),
    useRuntime(),
  ])
  const row = await readChannel(database.db, channelId)
  if (!row) throw problemError(404, 'There is no such channel here.')
  const of = async (): Promise<TipChannel> => ({
    ...{ db: database.db, id: row.id, name: row.name, nowMs: clock.wallMs() },
    channel: await channels.onAir.read(row.id),
    canPay: await tips.tipDesk.provider.isThere(),
  })
  return { ...{ of, channelId, tips, channels }, db: database.db }
}

/** What handlers of a channel's public tip page work with. @throws 404 where there is no such channel */
export const withTipPage = (event: H3Event) => withTips(pathId(event, 'channelId'))

/** What handlers of the member's own tip page work with. @throws 401 or 403 */
export async function withOwnTips(event: H3Event, atLeast: Role) {
  const session = await requireMember(event, atLeast)
  return { session, ...(await withTips(session.channel.id)) }
}
