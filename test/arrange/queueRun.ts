import { plainPolicy, type QueuePolicy } from '../../core/queue/policy.ts'
import { emptyQueue, type QueueCommand, type QueueInput, type QueueState } from '../../core/queue/state.ts'
import { step } from '../../core/queue/step.ts'

export const ticket = (playId: string, enqueuedAtMs = 0, lengthMs = 5000) => ({ playId, enqueuedAtMs, lengthMs })
export const joined = (sourceId: string, shownPlayIds: string[] = []): QueueInput => ({
  type: 'sourceJoined',
  sourceId,
  shownPlayIds,
})
export const left = (sourceId: string): QueueInput => ({ type: 'sourceLeft', sourceId })
export const enqueued = (playId: string, atMs = 0, lengthMs = 5000): QueueInput => ({
  type: 'enqueued',
  tickets: [ticket(playId, atMs, lengthMs)],
})
export const reached = (sourceId: string, playId: string, progress: 'ready' | 'started' | 'done'): QueueInput => ({
  type: 'sourceProgress',
  sourceId,
  playId,
  progress,
})
export const removed = (playId: string): QueueInput => ({
  type: 'removed',
  playId,
  outcome: 'skipped',
  reason: 'skipped by Isaura Pinto',
})

/** The plays that wait, in their order. */
export const waitingIn = (state: QueueState) => [...state.line.inOrder()].map(({ ticket }) => ticket)

/** Feeds inputs one after another; each is `[at, input]`. Remembers every command. */
export function run(
  inputs: readonly (readonly [number, QueueInput])[],
  from: QueueState = emptyQueue,
  policy: QueuePolicy = plainPolicy,
) {
  let state = from
  const commands: (QueueCommand & { atMs: number })[] = []
  for (const [atMs, input] of inputs) {
    const result = step(state, input, atMs, policy)
    state = result.state
    commands.push(...result.commands.map((command) => ({ ...command, atMs })))
  }
  const of = <T extends QueueCommand['type']>(type: T) =>
    commands.filter(
      (command): command is Extract<QueueCommand, { type: T }> & { atMs: number } => command.type === type,
    )
  return { state, commands, of, waiting: waitingIn(state) }
}
