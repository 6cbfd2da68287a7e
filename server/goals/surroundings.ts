import type { H3Event } from 'h3'
import type { GoalsView } from '../../contract/goals.ts'
import type { Role } from '../../contract/views.ts'
import { requireMember } from '../auth/access.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'
import { findGoal, type GoalRow } from '../db/queries/goals.ts'
import { pathId } from '../http/pathId.ts'
import { problemError } from '../system/problemError.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { goalsView } from './goalViews.ts'
import { useGoals } from './port.ts'

/** What handlers of goals work with, for a member who is at least this. @throws 401 or 403 */
export async function withGoals(event: H3Event, atLeast: Role) {
  const session = await requireMember(event, atLeast)
  const [{ database }, { onAir }, { goalsChanged }, { clock }] = await Promise.all([
    useDatabase(),
    useChannels(),
    useGoals(),
    useRuntime(),
  ])
  const { id: channelId } = session.channel
  const { db } = database
  return {
    ...{ session, channelId, db, now: () => clock.wallMs() },
    channel: () => onAir.read(channelId),
    /** Resolves when what follows from a change has been looked after. */
    changed: () => goalsChanged(channelId),
    async view(): Promise<GoalsView> {
      return goalsView(db, channelId, clock.wallMs(), (await onAir.read(channelId)).timeZone)
    },
    /** The goal that an address names. @throws 404 where the channel has none such */
    async own(): Promise<GoalRow> {
      const row = await findGoal(db, channelId, pathId(event, 'goalId'))
      if (!row) throw problemError(404, 'There is no such goal in this channel.')
      return row
    },
  }
}
