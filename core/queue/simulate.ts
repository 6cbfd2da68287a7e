import type { Outcome } from '../response/outcome.ts'
import { nextWakeMs } from './advance.ts'
import type { QueuePolicy } from './policy.ts'
import { emptyQueue, type QueueCommand, type QueueInput, type QueueState } from './state.ts'
import type { Ticket, Together } from './ticket.ts'
import { step } from './step.ts'

/** What had the screen, or was heard beside it. */
export interface ShownPlay {
  playId: string
  fromMs: number
  untilMs: number
  /** With how many it was shared; absent: it was alone. */
  together?: Together
  isShort: boolean
  isBeside: boolean
}

/** What became of a play, and when. */
export interface End {
  outcome: Outcome
  reason: string
  atMs: number
  into?: string
}

export interface Simulated {
  state: QueueState
  shown: ShownPlay[]
  ends: Map<string, End>
  /** How many waited, whenever that changed. */
  waiting: { atMs: number; count: number }[]
  /** When the last of it was over. */
  overAtMs: number
}

type Timed = readonly [atMs: number, input: QueueInput]

interface SimulateOptions {
  /** A source needs so long to have a play ready. */
  readyMs?: number
  /** How long it lasts as it is shown, once somebody looks: null: as it says. */
  lengthOf?: (ticket: Ticket) => number | null
  /** Nothing is done after that. */
  untilMs?: number
  /** Told of every step. */
  onStep?: (state: QueueState, commands: readonly QueueCommand[], nowMs: number) => void
}

const sourceId = 'stage'

/**
 * Plays a night through the queue in a time of its own: the same `step` as on air, with one source that has each play ready
 * after a moment and shows it to its end. Pure; linear in what happens.
 * @param inputs in the order of their times
 */
export function simulate(
  inputs: readonly Timed[],
  policy: QueuePolicy,
  { readyMs = 120, untilMs = Infinity, lengthOf, onStep }: SimulateOptions = {},
): Simulated {
  const startMs = inputs[0]?.[0] ?? 0
  const result: Simulated = { state: emptyQueue, shown: [], ends: new Map(), waiting: [], overAtMs: startMs }
  /** What the source is going to say, in the order in which it will. */
  let said: Timed[] = []
  const tell = (atMs: number, input: QueueInput) => {
    said = [...said, [atMs, input] as Timed].sort(([a], [b]) => a - b)
  }
  const say = (atMs: number, progress: 'ready' | 'started' | 'done', playId: string) =>
    tell(atMs, { type: 'sourceProgress', sourceId, playId, progress })
  const open = new Map<string, ShownPlay>()
  const obey = (command: QueueCommand, nowMs: number) => {
    if (command.type === 'prepare') {
      const { playId, ticket } = command
      const lengthMs = lengthOf?.(ticket) ?? null
      if (lengthMs !== null && lengthMs !== ticket.lengthMs) tell(nowMs, { type: 'measured', playId, lengthMs })
      say(nowMs + readyMs, 'ready', playId)
    } else if (command.type === 'start') {
      say(nowMs, 'started', command.playId)
      const current = result.state.current
      if (current?.phase !== 'playing') return
      const { ticket } = current
      say(nowMs + ticket.lengthMs, 'done', command.playId)
      open.set(command.playId, shownOf(command.playId, ticket, nowMs, false))
    } else if (command.type === 'sound') {
      open.set(command.playId, shownOf(command.playId, command.ticket, nowMs, true))
    } else if (command.type === 'stop') {
      said = said.filter(([, input]) => input.type !== 'sourceProgress' || input.playId !== command.playId)
    } else if (command.type === 'recordEnded') {
      const { playId, outcome, reason, into } = command
      result.ends.set(playId, { outcome, reason, atMs: nowMs, ...(into === undefined ? {} : { into }) })
      const shown = open.get(playId)
      if (shown) {
        result.shown.push({ ...shown, untilMs: nowMs })
        open.delete(playId)
      }
      result.overAtMs = nowMs
    }
  }
  const follow = (input: QueueInput, nowMs: number) => {
    const { state, commands } = step(result.state, input, nowMs, policy)
    result.state = state
    for (const command of commands) obey(command, nowMs)
    const count = state.line.size
    if (count !== (result.waiting.at(-1)?.count ?? 0)) result.waiting.push({ atMs: nowMs, count })
    onStep?.(state, commands, nowMs)
  }
  follow({ type: 'sourceJoined', sourceId, shownPlayIds: [] }, startMs)
  let at = 0
  let nowMs = startMs
  for (;;) {
    const next = inputs[at]
    const word = said[0]
    const wakeMs = nextWakeMs(result.state, nowMs, policy) ?? Infinity
    const dueMs = Math.max(nowMs, Math.min(next?.[0] ?? Infinity, word?.[0] ?? Infinity, wakeMs))
    if (dueMs === Infinity || dueMs > untilMs) break
    nowMs = dueMs
    if (word && word[0] <= nowMs) {
      said = said.slice(1)
      follow(word[1], nowMs)
    } else if (next && next[0] <= nowMs) {
      at += 1
      follow(next[1], nowMs)
    } else follow({ type: 'ticked' }, nowMs)
  }
  result.shown.push(...open.values())
  return result
}

function shownOf(playId: string, ticket: ShownTicket, fromMs: number, isBeside: boolean): ShownPlay {
  const { lengthMs, together, isShort = false } = ticket
  return { playId, fromMs, untilMs: fromMs + lengthMs, isShort, isBeside, ...(together ? { together } : {}) }
}
type ShownTicket = { lengthMs: number; together?: Together; isShort?: boolean }
