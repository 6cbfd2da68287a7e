import { targetsOf, type Goal } from '../goal/schema.ts'
import { standingOf } from '../goal/standing.ts'
import type { GoalSlice } from './slice.ts'

interface Circumstances {
  nowMs: number
  timeZone: string
  /** The channel’s. */
  currency: string
  /** Who brought something last. */
  last: NonNullable<GoalSlice['goal']>['last']
}

/** A goal as bars show it. @param amount all that it has, see `shownAmount` */
export function goalSlice(goal: Goal, amount: number, { nowMs, timeZone, currency, last }: Circumstances): GoalSlice {
  const standing = standingOf(goal, amount, nowMs, timeZone)
  return {
    of: 'goal',
    goal: {
      ...{ id: goal.id, title: goal.title, last },
      currency: goal.measure.of === 'money' ? currency : null,
      amount: standing.amount,
      target: standing.target,
      targets: targetsOf(goal),
      round: standing.round,
      daysLeft: standing.daysLeft,
    },
  }
}
