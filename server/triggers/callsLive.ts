import type { CallsLive } from '../../contract/channelLive.ts'
import type { StudioView } from '../../contract/triggers.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { Database } from '../db/handle.ts'
import { listRuns, listTasks } from '../db/queries/runs.ts'
import type { Calls } from './calls.ts'
import { addressTriggers } from './addressTrigger.ts'
import { runView } from './triggerViews.ts'

/** So many of the newest runs are shown. */
const listed = 25

const noStudioView: StudioView = {
  ...{ isLinked: false, name: '', scenes: [], programme: null, sources: [], held: [] },
}

/** What viewers of a channel set off, as it stands. */
export async function callsLive(
  db: Database,
  channelId: string,
  onAir: OnAirCache,
  calls: Calls,
): Promise<Omit<CallsLive, 'revision'>> {
  const [channel, runs, tasks] = await Promise.all([
    onAir.read(channelId),
    listRuns(db, channelId, listed),
    listTasks(db, channelId),
  ])
  // Nobody may carry the channel out just now.
  const studio = (await calls.studioOf(channelId)) ?? noStudioView
  const triggers = channel.triggers.filter(({ id, isArmed }) => isArmed && !(id in addressTriggers))
  return {
    armed: triggers.length,
    runs: runs.map(runView),
    tasks: tasks.map(runView),
    buttons: triggers.flatMap(({ id, name, starts }) => {
      const hand = starts.find(({ by }) => by === 'hand')
      return hand?.by === 'hand' ? [{ id, name, key: hand.key }] : []
    }),
    studio,
  }
}
