import { localMoment } from '../time/localMoment.ts'
import { targetsOf, type Goal } from './schema.ts'

/** How a goal stands, as bars and pages show it. */
export interface GoalStanding {
  phase: 'coming' | 'running' | 'over'
  /** Of this round, where it repeats. */
  amount: number
  /** What is wanted next: the target, then the nearest stretch that is not reached; the last of them where all are. */
  target: number
  /** Of `target`; more than 1 where the last is passed. */
  ratio: number
  /** What is reached, the nearest first; of the round that runs. */
  reached: number[]
  /** How many rounds are full. 0 for a goal that does not repeat. */
  round: number
  /** Days on the channel’s calendar until it ends: 0 on its last day. Null for a goal without an end, or at its end. */
  daysLeft: number | null
}

/**
 * How a goal stands.
 * @param amount all that it has, see `shownAmount`
 * @param timeZone the channel’s, as an IANA name
 */
export function standingOf(goal: Goal, amount: number, nowMs: number, timeZone: string): GoalStanding {
  const { target: first, untilMs, then } = goal
  const round = then.do === 'repeat' ? Math.floor(amount / first) : 0
  const ofRound = amount - round * first
  const targets = targetsOf(goal)
  const target = targets.find((each) => each > ofRound) ?? targets.at(-1) ?? first
  const phase = phaseAt(nowMs, goal)
  return {
    phase,
    amount: ofRound,
    target,
    ratio: ofRound / target,
    reached: targets.filter((each) => each <= ofRound),
    round,
    daysLeft: untilMs === null || phase === 'over' ? null : dayOf(untilMs - 1, timeZone) - dayOf(nowMs, timeZone),
  }
}

const dayOf = (atMs: number, timeZone: string) => localMoment(atMs, timeZone).day

function phaseAt(nowMs: number, { fromMs, untilMs }: Goal): GoalStanding['phase'] {
  if (nowMs < fromMs) return 'coming'
  return untilMs !== null && nowMs >= untilMs ? 'over' : 'running'
}

/** What was told of a goal already: each target once, and rounds up to the highest. */
export interface ToldGoal {
  targets: readonly number[]
  round: number
}
export const nothingTold: ToldGoal = { targets: [], round: 0 }

/** A target that is reached for the first time. `round`: which one, where the goal repeats; else 0. */
export interface Reached {
  target: number
  round: number
}

/**
 * What is reached that was not told yet. However the amount goes up and down, and whatever becomes of targets, each of them
 * is told once; rounds that one amount fills at once are told as the last of them.
 */
export function newlyReached(goal: Goal, amount: number, told: ToldGoal): { reached: Reached[]; told: ToldGoal } {
  if (goal.then.do === 'repeat') {
    const round = Math.floor(amount / goal.target)
    if (round <= told.round) return { reached: [], told }
    return { reached: [{ target: goal.target, round }], told: { ...told, round } }
  }
  const fresh = targetsOf(goal).filter((each) => each <= amount && !told.targets.includes(each))
  if (fresh.length === 0) return { reached: [], told }
  return {
    reached: fresh.map((target) => ({ target, round: 0 })),
    told: { ...told, targets: [...told.targets, ...fresh] },
  }
}

/** When a goal is over and the next one begins: its time has come, or all of it is reached and another waits. */
export function isDone(goal: Goal, amount: number, nowMs: number): boolean {
  if (goal.untilMs !== null && nowMs >= goal.untilMs) return true
  return goal.then.do === 'next' && targetsOf(goal).every((each) => each <= amount)
}
