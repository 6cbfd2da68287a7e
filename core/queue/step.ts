import { assertNever } from '../assertNever.ts'
import { advance } from './advance.ts'
import { clear, endCleared, putBack } from './clear.ts'
import { backInLine, settleDue } from './due.ts'
import { endOf, enqueue, placeOf } from './enqueue.ts'
import { emptyLine, withAllOf } from './line.ts'
import type { QueuePolicy } from './policy.ts'
import { airedUntil } from './rules/airtime.ts'
import { turnClock } from './rules/age.ts'
import { approvalFor } from './rules/approve.ts'
import { join, leave, progress } from './sources.ts'
import type { QueueCommand, QueueInput, QueueState, StepResult } from './state.ts'
import type { Ticket } from './ticket.ts'

/**
 * One step of a box's queue: pure, and no input is dropped silently. Plays have the screen one at a time, in the order that the
 * policy gives them; those that somebody has to say something of wait aside until then. A play passes preparing → playing →
 * ended; with no source connected everything waits.
 *
 * Promises kept, whatever the order of inputs and whatever the policy: every ticket that enters ends in exactly one
 * `recordEnded` or is still in the state; at most one play is current; a play that a source says it has shown is never sent to
 * that source again. Cost: logarithmic in the number of waiting plays for each play that comes, goes or is told of, and linear in
 * the number of connected sources, once for all that they say together; a policy that changed, and a source that comes after
 * minutes without any, cost once as much as plays wait. What is told of sources at once is as if it had been told one after the
 * other, but that nothing follows from it in between.
 */
export function step(state: QueueState, input: QueueInput, nowMs: number, policy: QueuePolicy): StepResult {
  const taken = take(state, input, nowMs, policy)
  const isStill = taken.state.isHeld || taken.state.quiet !== null
  const ages = turnClock(taken.state.ages, isStill, nowMs)
  if (ages !== taken.state.ages) taken.state = { ...taken.state, ages }
  return advance(settleDue(endCleared(taken, nowMs), nowMs, policy), nowMs, policy)
}

function take(state: QueueState, input: QueueInput, nowMs: number, policy: QueuePolicy): StepResult {
  const only = (changed: Partial<QueueState>): StepResult => ({ state: { ...state, ...changed }, commands: [] })
  switch (input.type) {
    case 'enqueued':
      return enqueue(state, input.tickets, nowMs, policy)
    case 'sourceJoined':
      return join(state, input, nowMs, policy)
    case 'sourceLeft':
      return leave(state, input.sourceId, nowMs)
    case 'sourceProgress':
      return progress(state, [input], nowMs)
    case 'sourcesProgressed':
      return progress(state, input.heard, nowMs)
    case 'removed':
      return remove(state, input, nowMs, policy)
    case 'held':
      return only({ isHeld: input.isHeld })
    case 'quieted':
      return only({ quiet: input.quiet })
    case 'doubted':
      return only({ isInDoubt: input.isInDoubt })
    case 'released':
      return { state: release(state, input.playId, nowMs, policy), commands: [] }
    case 'judged':
      return judge(state, input, nowMs, policy)
    case 'cleared':
      return clear(state, input.reason, nowMs)
    case 'putBack':
      return { state: putBack(state), commands: [] }
    case 'movedUp':
      return { state: moveUp(state, input.playId), commands: [] }
    case 'stalled':
      return stall(state, input, nowMs, policy)
    case 'measured':
      return measured(state, input)
    case 'policyChanged':
      return { state: placeAnew(state, policy), commands: [] }
    case 'ticked':
      return { state, commands: [] }
    default:
      return assertNever(input)
  }
}

function remove(
  state: QueueState,
  { playId, outcome, reason }: Extract<QueueInput, { type: 'removed' }>,
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const { current, line } = state
  const beside = state.beside.find(({ ticket }) => ticket.playId === playId)
  const stop: QueueCommand = { type: 'stop', playId, sourceIds: Object.keys(state.sources) }
  if (beside) {
    const ended = { ...endOf(playId, outcome, reason), shownCount: beside.shownCount }
    return { state: { ...state, beside: state.beside.filter((each) => each !== beside) }, commands: [stop, ended] }
  }
  if (current?.ticket.playId === playId) {
    const shownCount = current.phase === 'playing' ? current.shownCount : 0
    const aired = current.phase === 'playing' ? airedUntil(state.aired, nowMs) : state.aired
    return {
      state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs, aired },
      commands: [stop, { ...endOf(playId, outcome, reason), shownCount }],
    }
  }
  const without = line.without(playId)
  return without === line
    ? { state, commands: [] }
    : { state: { ...state, line: without }, commands: [endOf(playId, outcome, reason)] }
}

function release(state: QueueState, playId: string, nowMs: number, policy: QueuePolicy): QueueState {
  const waiting = state.line.find(playId)
  if (!waiting) return state
  if (waiting.aside?.for === 'reading') return backInLine(state, waiting, nowMs, policy)
  return { ...state, line: state.line.changed(waiting, { ...waiting.ticket, isAwaiting: false }) }
}

/** Whoever lets it be shown has read what it says: it need not wait for that any more either. */
function judge(
  state: QueueState,
  { playId, isLet, reason }: Extract<QueueInput, { type: 'judged' }>,
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const waiting = state.line.find(playId)
  if (waiting?.aside?.for !== 'showing') return { state, commands: [] }
  if (isLet) return { state: backInLine(state, waiting, nowMs, policy), commands: [] }
  return { state: { ...state, line: state.line.without(playId) }, commands: [endOf(playId, 'withheld', reason)] }
}

/** It is the next, and nothing lets it go before. What waits for somebody's word still waits for that. */
function moveUp(state: QueueState, playId: string): QueueState {
  const waiting = state.line.find(playId)
  if (!waiting || waiting.aside || waiting.isBeside) return state
  return { ...state, line: state.line.without(playId).withFirst(waiting.ticket) }
}

/** What nobody has seen yet goes back to the head of the line; nothing is prepared before a moment has passed. */
function stall(
  state: QueueState,
  { playId, reason }: Extract<QueueInput, { type: 'stalled' }>,
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const { current } = state
  if (current?.phase !== 'preparing' || current.ticket.playId !== playId) return { state, commands: [] }
  return {
    state: {
      ...state,
      current: null,
      line: state.line.withFirst(current.ticket),
      freeAtMs: Math.max(state.freeAtMs, nowMs + policy.stallMs),
    },
    commands: [{ type: 'recordReturned', playId, reason }],
  }
}

function measured(state: QueueState, { playId, lengthMs }: Extract<QueueInput, { type: 'measured' }>): StepResult {
  const change = (ticket: Ticket): Ticket => {
    if (ticket.lengthMs === lengthMs) return ticket
    // What its voices take is not theirs to shorten.
    const { facts } = ticket
    if (!facts) return { ...ticket, lengthMs }
    const shortestMs = Math.min(lengthMs, facts.shortestMs + Math.max(0, lengthMs - ticket.lengthMs))
    return { ...ticket, lengthMs, facts: { ...facts, shortestMs } }
  }
  const { current, line } = state
  const waiting = line.find(playId)
  // What plays was measured before it started; only a replay of the message could say otherwise.
  const before =
    waiting?.ticket ?? (current?.phase === 'preparing' && current.ticket.playId === playId ? current.ticket : null)
  if (!before) return { state, commands: [] }
  const ticket = change(before)
  if (ticket === before) return { state, commands: [] }
  return {
    state: waiting
      ? { ...state, line: line.changed(waiting, ticket) }
      : { ...state, current: current?.phase === 'preparing' ? { ...current, ticket } : current },
    commands: [{ type: 'recordLength', playId, lengthMs }],
  }
}

/** Puts all that wait where the policy has them now. Who was shown with another stays so, and who is next stays next. */
function placeAnew(state: QueueState, policy: QueuePolicy): QueueState {
  const line = withAllOf(emptyLine, state.line, ({ ticket, aside, bornMs }) => {
    const approval = approvalFor(ticket.facts ?? null, policy.approves)
    // Nobody has to let it be shown any more.
    const keeps = aside?.for === 'showing' && !approval ? null : aside
    return placeOf(ticket, bornMs, policy, keeps)
  })
  return { ...state, line }
}
