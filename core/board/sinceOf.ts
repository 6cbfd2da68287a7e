import { localMoment, momentAt } from '../time/localMoment.ts'
import type { Period } from './liveFields.ts'

const dayMs = 86_400_000

/**
 * From when on something is counted, in epoch milliseconds; null: from the beginning. Days begin at midnight of the channel’s
 * zone, weeks on the channel’s first day of them.
 * @param streamMs when the broadcast began that goes on, or was the last
 * @param weekStart the day that a week begins with: 1 Monday to 7 Sunday
 */
export function sinceOf(
  period: Period,
  nowMs: number,
  timeZone: string,
  streamMs: number,
  weekStart: number,
): number | null {
  if (period === 'ever') return null
  if (period === 'stream') return streamMs
  const { day, weekday } = localMoment(nowMs, timeZone)
  const dayOfMonth = new Date(day * dayMs).getUTCDate()
  return momentAt(
    day - { day: 0, week: (weekday - (weekStart - 1) + 7) % 7, month: dayOfMonth - 1 }[period],
    0,
    timeZone,
  )
}
