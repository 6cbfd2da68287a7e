import { endOf } from './enqueue.ts'
import { emptyLine, withAllOf } from './line.ts'
import type { Cleared, QueueCommand, QueueState, StepResult } from './state.ts'

/** What was taken out all at once can be put back for so long. */
export const putBackWithinMs = 10_000

/** Takes out all that waits: nothing of it ends yet. What was taken out before ends now. */
export function clear(state: QueueState, reason: string, nowMs: number): StepResult {
  if (state.line.size === 0) return { state, commands: [] }
  return {
    state: { ...state, line: emptyLine, cleared: { line: state.line, untilMs: nowMs + putBackWithinMs, reason } },
    commands: state.cleared ? endsOf(state.cleared) : [],
  }
}

/** Puts back what was taken out, each where it would be by now. What was to be next before stays so, after what is next now. */
export function putBack(state: QueueState): QueueState {
  if (!state.cleared) return state
  const line = withAllOf(state.line, state.cleared.line, (waiting) => waiting)
  return { ...state, line, cleared: null }
}

/** Nobody put it back. */
export function endCleared({ state, commands }: StepResult, nowMs: number): StepResult {
  const { cleared } = state
  if (!cleared || cleared.untilMs > nowMs) return { state, commands }
  return { state: { ...state, cleared: null }, commands: [...commands, ...endsOf(cleared)] }
}

const endsOf = ({ line, reason }: Cleared): QueueCommand[] =>
  [...line.inOrder()].map(({ ticket }) => endOf(ticket.playId, 'skipped', reason))
