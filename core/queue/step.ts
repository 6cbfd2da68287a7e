import { assertNever } from '../assertNever.ts'
import { advance } from './advance.ts'
import type { QueuePolicy } from './policy.ts'
import { join, leave, progress } from './sources.ts'
import type { QueueCommand, QueueInput, QueueState, StepResult, Ticket } from './state.ts'

/**
 * One step of a box's queue: pure, and no input is dropped silently. Plays come one at a time, in order of arrival; one
 * that somebody has to let be read waits aside until then. A play passes preparing → playing → ended; with no source
 * connected everything waits.
 *
 * Promises kept, whatever the order of inputs: every ticket that enters ends in exactly one `recordEnded` or is still
 * in the state; at most one play is current; a play that a source says it has shown is never sent to that source again.
 * Cost: linear in the number of connected sources and of waiting plays (each input looks through both; a full line
 * of 3,000 takes about 15 µs, however many plays come with it, and however many sources say at once how far they are).
 * What is told of sources at once is as if it had been told one after the other, but that nothing follows from it in between.
 */
export function step(state: QueueState, input: QueueInput, nowMs: number, policy: QueuePolicy): StepResult {
  const taken = withhold(take(state, input, nowMs, policy), nowMs, policy)
  return advance(taken, nowMs, policy)
}

function take(state: QueueState, input: QueueInput, nowMs: number, policy: QueuePolicy): StepResult {
  switch (input.type) {
    case 'enqueued':
      return enqueue(state, input.tickets, policy)
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
      return { state: { ...state, isHeld: input.isHeld }, commands: [] }
    case 'doubted':
      return { state: { ...state, isInDoubt: input.isInDoubt }, commands: [] }
    case 'released':
      return {
        state: {
          ...state,
          waiting: state.waiting.map((each) => (each.playId === input.playId ? { ...each, isAwaiting: false } : each)),
        },
        commands: [],
      }
    case 'stalled':
      return stall(state, input, nowMs, policy)
    case 'measured':
      return measured(state, input)
    case 'ticked':
      return { state, commands: [] }
    default:
      return assertNever(input)
  }
}

/** The line is bounded: where it is full, the plays that have waited longest give way, and the log says so. */
function enqueue(state: QueueState, tickets: readonly Ticket[], policy: QueuePolicy): StepResult {
  const all = [...state.waiting, ...tickets]
  const tooMany = Math.max(0, all.length - policy.waitingMax)
  const commands = all.slice(0, tooMany).map(({ playId }): QueueCommand => ({
    type: 'recordEnded',
    playId,
    outcome: 'expired',
    reason: `more than ${policy.waitingMax} were waiting`,
    shownCount: 0,
  }))
  return { state: { ...state, waiting: tooMany > 0 ? all.slice(tooMany) : all }, commands }
}

function remove(
  state: QueueState,
  { playId, outcome, reason }: Extract<QueueInput, { type: 'removed' }>,
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const shownCount =
    state.current?.phase === 'playing' && state.current.ticket.playId === playId ? state.current.shownCount : 0
  const ended: QueueCommand = { type: 'recordEnded', playId, outcome, reason, shownCount }
  if (state.current?.ticket.playId === playId) {
    const stop: QueueCommand = { type: 'stop', playId, sourceIds: Object.keys(state.sources) }
    return { state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs }, commands: [stop, ended] }
  }
  const waiting = state.waiting.filter((each) => each.playId !== playId)
  return waiting.length === state.waiting.length
    ? { state, commands: [] }
    : { state: { ...state, waiting }, commands: [ended] }
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
      waiting: [current.ticket, ...state.waiting],
      freeAtMs: Math.max(state.freeAtMs, nowMs + policy.stallMs),
    },
    commands: [{ type: 'recordReturned', playId, reason }],
  }
}

function measured(state: QueueState, { playId, lengthMs }: Extract<QueueInput, { type: 'measured' }>): StepResult {
  const commands: QueueCommand[] = []
  const change = (ticket: Ticket): Ticket => {
    if (ticket.playId !== playId || ticket.lengthMs === lengthMs) return ticket
    commands.push({ type: 'recordLength', playId, lengthMs })
    return { ...ticket, lengthMs }
  }
  const { current } = state
  // What plays was measured before it started; only a replay of the message could say otherwise.
  const changed = current?.phase === 'preparing' ? { ...current, ticket: change(current.ticket) } : current
  return { state: { ...state, current: changed, waiting: state.waiting.map(change) }, commands }
}

/** Lets go on what nobody let be read in time. */
function withhold({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  const isLate = (each: Ticket) => each.isAwaiting === true && nowMs - each.enqueuedAtMs >= policy.approvalMaxMs
  if (!state.waiting.some(isLate)) return { state, commands }
  const late = state.waiting.filter(isLate)
  for (const { playId } of late)
    commands.push({
      type: 'withhold',
      playId,
      reason: `nobody let it be read within ${Math.round(policy.approvalMaxMs / 60_000)} minutes`,
    })
  return {
    state: {
      ...state,
      waiting: state.waiting.map((each) => (late.includes(each) ? { ...each, isAwaiting: false } : each)),
    },
    commands,
  }
}
