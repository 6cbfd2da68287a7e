import { bornMs, endOf, placeOf } from './enqueue.ts'
import type { Waiting } from './line.ts'
import type { QueuePolicy } from './policy.ts'
import { ageAtMs } from './rules/age.ts'
import type { QueueCommand, QueueState, StepResult } from './state.ts'

/** What time alone brings: whoever is aside is not waited for any longer, and what has waited too long is let go. */
export function settleDue({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  let after = state
  for (let due = after.line.nextAside; due?.aside && due.aside.untilMs <= nowMs; due = after.line.nextAside)
    after = goOn(after, due, nowMs, policy, commands)
  const ageMs = ageAtMs(after.ages, nowMs)
  // While the clock stands, nothing is late.
  if (after.ages.sinceMs !== null) return { state: after, commands }
  for (let late = after.line.nextDeadline; late && late.deadlineMs <= ageMs; late = after.line.nextDeadline) {
    const { playId, enqueuedAtMs } = late.ticket
    commands.push(endOf(playId, 'expired', `it had waited ${Math.round((nowMs - enqueuedAtMs) / 1000)} s`))
    after = { ...after, line: after.line.without(playId) }
  }
  return { state: after, commands }
}

/** Nobody said anything, and it goes on without. */
function goOn(
  state: QueueState,
  waiting: Waiting,
  nowMs: number,
  policy: QueuePolicy,
  commands: QueueCommand[],
): QueueState {
  const { aside, ticket } = waiting
  const { playId } = ticket
  const minutes = Math.max(1, Math.round((nowMs - ticket.enqueuedAtMs) / 60_000))
  if (aside?.for === 'showing') {
    commands.push(endOf(playId, 'withheld', `nobody let it be shown within ${counted(minutes)}`))
    return { ...state, line: state.line.without(playId) }
  }
  if (aside?.for === 'reading')
    commands.push({ type: 'withhold', playId, reason: `nobody let it be read within ${counted(minutes)}` })
  return backInLine(state, waiting, nowMs, policy)
}

const counted = (minutes: number) => `${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`

/** Whoever was aside takes the old place; the age counts anew, for nobody could have shown it. */
export function backInLine(state: QueueState, waiting: Waiting, nowMs: number, policy: QueuePolicy): QueueState {
  const ticket = { ...waiting.ticket, isAwaiting: false }
  const place = placeOf(ticket, bornMs(state, nowMs, nowMs), policy, null)
  return { ...state, line: state.line.moved({ ...waiting, ticket }, place) }
}
