import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { leadersOf, type LiveRun } from '../../core/sheet/runs.ts'
import type { RunRow } from '../db/queries/runs.ts'
import type { Clock } from '../system/clock.ts'
import { planFor } from '../../core/triggers/planFor.ts'

/** A run that somebody had let through, with how its sheet lies in time now. */
export interface Resumed {
  row: RunRow
  run: LiveRun
}

/** Which of the runs that were left go on, which wait again, and of which there is nothing any more. */
export function sortLeft(
  rows: readonly RunRow[],
  channel: ChannelOnAir,
  clock: Clock,
): { running: Resumed[]; waiting: Resumed[]; gone: RunRow[] } {
  const left: ReturnType<typeof sortLeft> = { running: [], waiting: [], gone: [] }
  for (const row of rows) {
    const trigger = channel.triggers.find(({ id }) => id === row.triggerId)
    const plan = trigger && planFor(trigger, row, channel, clock.wallMs())
    if (!trigger || !plan?.ok) {
      left.gone.push(row)
      continue
    }
    const run = { id: row.id, triggerId: trigger.id, again: trigger.again, plan: plan.value, leading: null }
    if (row.startedAt === null) left.waiting.push({ row, run: { ...run, startedAtMs: null, done: [] } })
    else {
      // The alerts that it began with have been shown.
      const done = [...row.done, ...leadersOf(plan.value)].map(({ index }) => index)
      left.running.push({ row, run: { ...run, startedAtMs: clock.steadyOf(row.startedAt.getTime()), done } })
    }
  }
  return left
}
