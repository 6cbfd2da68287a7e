import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { RunRow } from '../db/queries/runs.ts'
import { newId } from '../system/ids.ts'

/** Whether a run is only tried: nothing of it is kept. */
export const isDry = (runId: string): boolean => runId.startsWith('dry-')

/** A run of nobody's, for trying. */
export function dryRow(channelId: string, { id, name }: Trigger, by: string, nowMs: number): RunRow {
  const sample = sampleEvent('redemption', 'everyday', nowMs)
  return {
    ...{ seq: 0, id: newId('dry', nowMs), channelId, triggerId: id, triggerName: name, eventId: '', by: 'hand' },
    event: { ...sample, data: { ...sample.data, viewer: { id: 'dry', name: by } } } as RunRow['event'],
    ...{ viewerId: null, viewerName: by, input: '', isPaid: false, progress: 'waiting', end: null, reason: '' },
    ...{ reserved: null, askedAt: new Date(nowMs), startedAt: null, endedAt: null, done: [], task: null },
  }
}
