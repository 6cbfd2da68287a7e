import { needsStudio } from '../../core/triggers/calledEvent.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { RunView, TriggersView, TriggerView } from '../../contract/triggers.ts'
import type { Database } from '../db/handle.ts'
import { listLastRuns, readGateStates, type RunRow } from '../db/queries/runs.ts'
import { listTriggerRows, listTriggersPutAway } from '../db/queries/triggers.ts'
import { laySheet } from '../../core/sheet/laySheet.ts'
import { planContextOf, planFor } from '../../core/triggers/planFor.ts'

export function runView(row: RunRow): RunView {
  const { id, triggerId, triggerName, by, viewerName, input, progress, end, reason, task } = row
  return {
    ...{ id, triggerId, triggerName, by, viewerName, input, progress, end, reason, task },
    askedAtMs: row.askedAt.getTime(),
    startedAtMs: row.startedAt?.getTime() ?? null,
    endedAtMs: row.endedAt?.getTime() ?? null,
    faults: row.done.flatMap(({ fault }) => (fault ? [fault] : [])),
  }
}

const sampleOf = { event: sampleEvent('redemption'), input: '' }

/** How the sheet of a trigger lies in time for anybody. */
export const samplePlan = (trigger: Trigger, channel: ChannelOnAir, nowMs: number) =>
  planFor(trigger, sampleOf, channel, nowMs)

/** The triggers of a channel as its station lists them. */
export async function triggersView(
  db: Database,
  channelId: string,
  channel: ChannelOnAir,
  listUrl: string,
  hasStandIns: boolean,
): Promise<TriggersView> {
  const [rows, putAway, states, lastRuns] = await Promise.all([
    listTriggerRows(db, channelId),
    listTriggersPutAway(db, channelId),
    readGateStates(db, channelId),
    listLastRuns(db, channelId),
  ])
  const nowMs = Date.now()
  const triggers = rows.map(({ document, revision }): TriggerView => {
    const plan = samplePlan(document, channel, nowMs)
    const { stock } = document.gate
    return {
      ...{ trigger: document, revision },
      laid: laySheet(document.sheet, planContextOf(document, sampleOf, channel, nowMs), document.id),
      lastMs: lastRuns.get(document.id) ?? null,
      left: stock === null ? null : (states.get(document.id)?.left ?? stock),
      lengthMs: plan.ok ? plan.value.lengthMs : null,
      fault: plan.ok ? '' : plan.error,
      needsStudio: needsStudio(document),
    }
  })
  return {
    ...{ triggers, settings: channel.calls, listUrl, hasStandIns },
    putAway: putAway.map(({ id, document }) => ({ id, name: document.name })),
  }
}
