import { localMoment } from '../time/localMoment.ts'
import type { Trigger } from './schema.ts'

const minuteMs = 60_000
/** What was missed for longer is not made good. */
const lookBackMs = 5 * minuteMs

/**
 * Which triggers a given time sets off, with their minutes: those after `fromMs` and until `untilMs` on the channel's clock. An
 * hour that a change of the clock leaves out sets nothing off, one that comes twice does so twice.
 */
export function dueTimes(
  triggers: readonly Pick<Trigger, 'id' | 'starts' | 'isArmed'>[],
  fromMs: number,
  untilMs: number,
  timeZone: string,
): { triggerId: string; atMs: number }[] {
  const timed = triggers.filter(({ isArmed, starts }) => isArmed && starts.some(({ by }) => by === 'time'))
  if (timed.length === 0) return []
  const due: { triggerId: string; atMs: number }[] = []
  const first = Math.floor(Math.max(fromMs, untilMs - lookBackMs) / minuteMs + 1) * minuteMs
  for (let atMs = first; atMs <= untilMs; atMs += minuteMs) {
    const { minute, weekday } = localMoment(atMs, timeZone)
    for (const { id, starts } of timed)
      if (starts.some((start) => start.by === 'time' && start.minute === minute && start.weekdays.includes(weekday)))
        due.push({ triggerId: id, atMs })
  }
  return due
}
