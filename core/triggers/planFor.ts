import type { CanonicalEvent } from '../events/schema.ts'
import { calledPlay, soundLengthMs } from '../response/calledPlay.ts'
import type { ChannelOnAir } from '../response/channelOnAir.ts'
import { err, ok, type Result } from '../result.ts'
import { planRunSheet, type PlanContext, type PlanError, type RunPlan } from '../sheet/planRunSheet.ts'
import type { Trigger } from './schema.ts'

/** For what a trigger runs: what set it off, and what was typed with it. */
export interface CalledFor {
  event: CanonicalEvent
  input: string
}

const planWords: Record<PlanError['type'], string> = {
  circle: 'Its run sheet calls itself.',
  gone: 'Something of its run sheet is gone.',
  tooLong: 'Its run sheet lasts longer than ten minutes.',
  tooMany: 'Its run sheet has too many steps.',
}

/** What plans of a trigger know of its channel. @param onGone told why an alert cannot be played */
export function planContextOf(
  trigger: Trigger,
  by: CalledFor,
  channel: ChannelOnAir,
  nowMs: number,
  onGone: (reason: string) => void = () => undefined,
): PlanContext {
  const called = { triggerId: trigger.id, name: trigger.name, cost: trigger.gate.cost, input: by.input }
  return {
    lengthMs(step) {
      if (step.do === 'sound') return soundLengthMs(step.mediaId, channel)
      const play = calledPlay(step, by.event, called, channel, nowMs)
      if (!play.ok) onGone(play.error)
      return play.ok ? play.value.lengthMs : null
    },
    sheetOf: (id) => channel.triggers.find((each) => each.id === id)?.sheet ?? null,
  }
}

/** How a trigger's sheet lies in time for somebody; or why it cannot. */
export function planFor(
  trigger: Trigger,
  by: CalledFor,
  channel: ChannelOnAir,
  nowMs: number,
): Result<RunPlan, string> {
  let gone = ''
  const context = planContextOf(trigger, by, channel, nowMs, (reason) => void (gone = reason))
  const plan = planRunSheet(trigger.sheet, context, trigger.id)
  if (plan.ok) return ok(plan.value)
  return err(gone ? `It cannot run: ${gone}.` : planWords[plan.error.type])
}
