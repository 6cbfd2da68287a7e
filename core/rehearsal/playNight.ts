import type { QueuePolicy } from '../queue/policy.ts'
import { quietAt } from '../queue/rules/quiet.ts'
import { simulate, type End, type ShownPlay } from '../queue/simulate.ts'
import type { Quiet, QueueInput } from '../queue/state.ts'
import type { Ticket } from '../queue/ticket.ts'
import { localMoment } from '../time/localMoment.ts'
import type { DecidedEvent } from './decideNight.ts'

/** What a policy makes of a night in one box. */
export interface PlayedNight {
  /** By the id of each play. */
  ends: ReadonlyMap<string, End>
  shown: ReadonlyMap<string, ShownPlay>
  /** How many waited, whenever that changed. */
  waiting: readonly { atMs: number; count: number }[]
  /** When the last of it was over. */
  overAtMs: number
}

const minuteMs = 60_000

/**
 * Plays what a box decided through its queue, in a time of its own: the same `step` as on air, one source that shows everything.
 * Nobody is at the desk: what somebody has to let through is let through at once, nothing is held, and the studio shows no
 * scene. Hours of quiet are kept.
 * @param of how long a play lasts as it is shown; see `lengthsOf`
 */
export function playNight(
  decided: readonly DecidedEvent[],
  policy: QueuePolicy,
  { timeZone, lengthOf }: { timeZone: string; lengthOf?: (ticket: Ticket) => number | null },
): PlayedNight {
  const arrivals = decided.flatMap(({ arrival }): (readonly [number, QueueInput])[] =>
    arrival ? [[arrival.atMs, { type: 'enqueued', tickets: [arrival.ticket] }]] : [],
  )
  const hours = policy.quiets.filter(({ when }) => when.is === 'hours')
  const { ends, shown, waiting, overAtMs } = simulate(
    hours.length === 0 ? arrivals : withQuiet(arrivals, hours, timeZone),
    { ...policy, approves: [] },
    lengthOf ? { lengthOf } : {},
  )
  return { ends, shown: new Map(shown.map((each) => [each.playId, each])), waiting, overAtMs }
}

/** The same with where each quiet begins and ends, a day after the last included: what was collected is shown then. */
function withQuiet(
  arrivals: readonly (readonly [number, QueueInput])[],
  hours: QueuePolicy['quiets'],
  timeZone: string,
): (readonly [number, QueueInput])[] {
  const firstMs = arrivals[0]?.[0] ?? 0
  const lastMs = (arrivals.at(-1)?.[0] ?? firstMs) + 24 * 60 * minuteMs
  const turns: (readonly [number, QueueInput])[] = []
  let quiet = null as Quiet | null
  for (let atMs = firstMs; atMs <= lastMs; atMs = (Math.floor(atMs / minuteMs) + 1) * minuteMs) {
    const now = quietAt(hours, { minuteOfDay: localMoment(atMs, timeZone).minute, scene: null })
    if (now?.why !== quiet?.why) turns.push([atMs, { type: 'quieted', quiet: now }])
    quiet = now
  }
  // Where something comes at the very moment, quiet has begun.
  return [...turns, ...arrivals].sort(([a], [b]) => a - b)
}
