import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { ok, type Result } from '../../core/result.ts'
import type { RunPlan } from '../../core/sheet/planRunSheet.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { RunRow } from '../db/queries/runs.ts'
import { planFor } from '../../core/triggers/planFor.ts'
import { newId } from '../system/ids.ts'

/** Whether a run is only tried: nothing of it is kept. */
export const isDry = (runId: string): boolean => runId.startsWith('dry-')

/** A run of nobody's, for trying, and how its sheet lies in time: nothing waits for a line in which nothing is played. */
export function dryRun(
  channel: ChannelOnAir,
  channelId: string,
  trigger: Trigger,
  by: string,
  nowMs: number,
): { row: RunRow; plan: Result<RunPlan, string> } {
  const row = dryRow(channelId, trigger, by, nowMs)
  const plan = planFor(trigger, row, channel, nowMs)
  if (!plan.ok) return { row, plan }
  const steps = plan.value.steps.map((each) =>
    each.step.do === 'play' ? { ...each, step: { ...each.step, isBeside: true } } : each,
  )
  return { row, plan: ok({ ...plan.value, steps }) }
}

function dryRow(channelId: string, { id, name }: Trigger, by: string, nowMs: number): RunRow {
  const sample = sampleEvent('redemption', 'everyday', nowMs)
  return {
    ...{ seq: 0, id: newId('dry', nowMs), channelId, triggerId: id, triggerName: name, eventId: '', by: 'hand' },
    event: { ...sample, data: { ...sample.data, viewer: { id: 'dry', name: by } } } as RunRow['event'],
    ...{ viewerId: null, viewerName: by, input: '', isPaid: false, progress: 'waiting', end: null, reason: '' },
    ...{ reserved: null, askedAt: new Date(nowMs), startedAt: null, endedAt: null, done: [], task: null },
  }
}
