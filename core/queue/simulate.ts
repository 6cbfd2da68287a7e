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
  /** Of gifts that were promised, those that came. */
  brought?: number
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
  /** A source needs so long to have a play ready, if it is not as usual. */
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
 * One line in a time of its own: the same `step` as on air, with one source that has each play ready after a moment and shows it
 * to its end. Whoever has several of them asks each when something is due, and does what is due first.
 */
export class SimulatedLane {
  readonly result: Simulated
  /** When something is due next, if nothing is said before. */
  dueMs = Infinity
  /** What the source is going to say, in the order in which it will. */
  private said: Timed[] = []
  private readonly open = new Map<string, ShownPlay>()

  constructor(
    private nowMs: number,
    private readonly policy: QueuePolicy,
    private readonly options: Omit<SimulateOptions, 'untilMs'> = {},
  ) {
    this.result = { state: emptyQueue, shown: [], ends: new Map(), waiting: [], overAtMs: nowMs }
    this.follow({ type: 'sourceJoined', sourceId, shownPlayIds: [] }, nowMs)
  }

  /** Something is said from outside, at a moment not before the last. */
  follow(input: QueueInput, nowMs: number): void {
    const { result, policy, options } = this
    this.nowMs = nowMs
    const { state, commands } = step(result.state, input, nowMs, policy)
    result.state = state
    for (const command of commands) this.obey(command, nowMs)
    const count = state.line.size
    if (count !== (result.waiting.at(-1)?.count ?? 0)) result.waiting.push({ atMs: nowMs, count })
    const wakeMs = nextWakeMs(result.state, nowMs, policy) ?? Infinity
    this.dueMs = Math.max(nowMs, Math.min(this.said[0]?.[0] ?? Infinity, wakeMs))
    options.onStep?.(state, commands, nowMs)
  }

  /** Does what is due: one thing. */
  pass(): void {
    const nowMs = this.dueMs
    const [word] = this.said
    if (word && word[0] <= nowMs) {
      this.said = this.said.slice(1)
      this.follow(word[1], nowMs)
    } else this.follow({ type: 'ticked' }, nowMs)
  }

  /** Whether the source has something to say by then. */
  isTold(atMs: number): boolean {
    return (this.said[0]?.[0] ?? Infinity) <= atMs
  }

  /** What is still shown at the end counts as shown. */
  close(): Simulated {
    this.result.shown.push(...this.open.values())
    this.open.clear()
    return this.result
  }

  private tell(atMs: number, input: QueueInput): void {
    this.said = [...this.said, [atMs, input] as Timed].sort(([a], [b]) => a - b)
  }

  private say(atMs: number, progress: 'ready' | 'started' | 'done', playId: string): void {
    this.tell(atMs, { type: 'sourceProgress', sourceId, playId, progress })
  }

  private obey(command: QueueCommand, nowMs: number): void {
    const { result, open, options } = this
    if (command.type === 'prepare') {
      const { playId, ticket } = command
      const lengthMs = options.lengthOf?.(ticket) ?? null
      if (lengthMs !== null && lengthMs !== ticket.lengthMs) this.tell(nowMs, { type: 'measured', playId, lengthMs })
      this.say(nowMs + (options.readyMs ?? usualReadyMs), 'ready', playId)
    } else if (command.type === 'start') {
      this.say(nowMs, 'started', command.playId)
      const { current } = result.state
      if (current?.phase !== 'playing') return
      const { ticket } = current
      this.say(nowMs + ticket.lengthMs, 'done', command.playId)
      open.set(command.playId, shownOf(command.playId, ticket, nowMs, false))
    } else if (command.type === 'sound') {
      open.set(command.playId, shownOf(command.playId, command.ticket, nowMs, true))
    } else if (command.type === 'stop') {
      this.said = this.said.filter(([, input]) => input.type !== 'sourceProgress' || input.playId !== command.playId)
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
}

/** A source needs so long to have a play ready. */
const usualReadyMs = 120

/**
 * Plays a night through the queue in a time of its own; see `SimulatedLane`. Pure; linear in what happens.
 * @param inputs in the order of their times
 */
export function simulate(
  inputs: readonly Timed[],
  policy: QueuePolicy,
  { untilMs = Infinity, ...options }: SimulateOptions = {},
): Simulated {
  const startMs = inputs[0]?.[0] ?? 0
  const lane = new SimulatedLane(startMs, policy, options)
  let at = 0
  for (let nowMs = startMs; ;) {
    const next = inputs[at]
    const dueMs = Math.max(nowMs, Math.min(next?.[0] ?? Infinity, lane.dueMs))
    if (dueMs === Infinity || dueMs > untilMs) break
    nowMs = dueMs
    // What a source said is heard before what comes at the same moment.
    if (!next || next[0] > nowMs || lane.isTold(nowMs)) lane.pass()
    else {
      at += 1
      lane.follow(next[1], nowMs)
    }
  }
  return lane.close()
}

function shownOf(playId: string, ticket: ShownTicket, fromMs: number, isBeside: boolean): ShownPlay {
  const { lengthMs, together, brought, isShort = false } = ticket
  return {
    ...{ playId, fromMs, untilMs: fromMs + lengthMs, isShort, isBeside },
    ...(together ? { together } : {}),
    ...(brought === undefined ? {} : { brought }),
  }
}
type ShownTicket = Pick<Ticket, 'lengthMs' | 'together' | 'brought' | 'isShort'>
