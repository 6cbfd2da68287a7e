import type { Goal } from '../core/goal/schema.ts'
import { feedSource } from '../core/events/feedSource.ts'
import { momentAt } from '../core/time/localMoment.ts'

const dayMs = 86_400_000

/** The 21st of December that comes next, at midnight in the bakery. */
function endOfFund(nowMs: number, timeZone: string): number {
  const year = new Date(nowMs).getUTCFullYear()
  const ends = [year, year + 1].map((each) => momentAt(Date.UTC(each, 11, 21) / dayMs, 0, timeZone))
  return ends.find((atMs) => atMs > nowMs) ?? nowMs + 30 * dayMs
}

/** What Lantern Loaf saves up for: what is told of it already, and since when it is over. */
export function demoGoals(nowMs: number, timeZone: string): { goal: Goal; isPast: boolean; isBegun: boolean }[] {
  const untilMs = endOfFund(nowMs, timeZone)
  // What the tip page brings.
  const sources = [feedSource('feed-till')]
  const money = { measure: { of: 'money' as const, kinds: ['tip' as const] }, sources, stretches: [] }
  return [
    {
      isPast: false,
      isBegun: true,
      goal: {
        ...{ ...money, id: 'oven', title: 'New oven fund', startAmount: 12_000, target: 100_000 },
        ...{ stretches: [150_000, 200_000], fromMs: nowMs - 14 * dayMs, untilMs },
        then: { do: 'next', goalId: 'flour' },
      },
    },
    {
      isPast: false,
      isBegun: false,
      goal: {
        ...{ ...money, id: 'flour', title: 'Flour for the winter', startAmount: 0, target: 60_000 },
        ...{ fromMs: untilMs, untilMs: null, then: { do: 'stop' } },
      },
    },
    {
      isPast: true,
      isBegun: true,
      goal: {
        ...{ ...money, id: 'bell', title: 'A bell for the oven', startAmount: 15_000, target: 15_000 },
        ...{ fromMs: nowMs - 60 * dayMs, untilMs: nowMs - 30 * dayMs, then: { do: 'stop' } },
      },
    },
  ]
}
