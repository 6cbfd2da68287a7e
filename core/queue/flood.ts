import type { EventKind } from '../events/kinds.ts'
import type { QueuePolicy } from './policy.ts'
import { simulate } from './simulate.ts'
import type { QueueInput } from './state.ts'
import type { Ticket } from './ticket.ts'

/** Something that came, and when. */
export interface Arrival {
  atMs: number
  ticket: Ticket
}

/** What had the screen, as it is drawn. */
export interface FloodShown {
  kind: EventKind | null
  fromMs: number
  untilMs: number
  /** How many shared it; 1: it was alone. */
  count: number
  isShort: boolean
}

/** What a policy makes of a flood. */
export interface FloodOutcome {
  shown: FloodShown[]
  /** How late each alert began, by when it did. */
  late: { atMs: number; lateMs: number }[]
  longestMs: number
  /** Those that share an alert with others. */
  shared: number
  letGo: number
  /** When the last of it was over. */
  calmAtMs: number
}

/**
 * Plays what came through the queue in a time of its own: the same steps as on air. Pure.
 * @param arrivals in the order in which they came
 */
export function floodOutcome(arrivals: readonly Arrival[], policy: QueuePolicy): FloodOutcome {
  const tickets = new Map(arrivals.map(({ ticket }) => [ticket.playId, ticket]))
  const inputs = arrivals.map(({ atMs, ticket }): [number, QueueInput] => [
    atMs,
    { type: 'enqueued', tickets: [ticket] },
  ])
  // Nobody is there to let anything be shown: it is as if somebody did at once.
  const { shown, ends, overAtMs } = simulate(inputs, { ...policy, approves: [], quiets: [] })
  const late = shown.map(({ playId, fromMs }) => ({
    atMs: fromMs,
    lateMs: Math.max(0, fromMs - (tickets.get(playId)?.enqueuedAtMs ?? fromMs)),
  }))
  const outcomes = [...ends.values()]
  const giftsOf = (playId: string) => outcomes.filter(({ into }) => into === playId).length
  return {
    shown: shown
      .filter(({ isBeside }) => !isBeside)
      .map(({ playId, fromMs, untilMs, isShort }) => ({
        kind: tickets.get(playId)?.facts?.kind ?? null,
        ...{ fromMs, untilMs, isShort },
        count: 1 + giftsOf(playId),
      })),
    late,
    longestMs: Math.max(0, ...late.map(({ lateMs }) => lateMs)),
    shared: outcomes.filter(({ outcome }) => outcome === 'merged').length,
    letGo: outcomes.filter(({ outcome }) => outcome === 'expired').length,
    calmAtMs: overAtMs,
  }
}
