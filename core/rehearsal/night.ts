import type { CanonicalEvent } from '../events/schema.ts'

/** Something that happened in a night, and when it was heard of. */
export interface NightEvent {
  event: CanonicalEvent
  atMs: number
}

/** What happened, in the order in which it was heard of; everything once, and nothing that was a test. */
export interface Night {
  events: readonly NightEvent[]
  fromMs: number
  untilMs: number
  /** What was left out. */
  repeated: number
  tests: number
}

/** More than so much is a year, not a night. */
export const nightEventsMost = 100_000
/** Longer than that no broadcast is. */
const nightLengthMost = 7 * 86_400_000

/**
 * Makes a night of what was found, in whatever order: what happened is told once, by its source and id, as a server takes it in.
 * What lies more than a week after the first is another night, and is left out with what is too much.
 */
export function nightOf(found: readonly (NightEvent & { isTest?: boolean })[]): Night {
  const known = new Set<string>()
  let tests = 0
  let repeated = 0
  const events: NightEvent[] = []
  // Of what was heard of at one moment the order stays.
  for (const { event, atMs, isTest = false } of [...found].sort((a, b) => a.atMs - b.atMs)) {
    const key = `${event.source}\n${event.externalId}`
    if (isTest) tests += 1
    else if (known.has(key)) repeated += 1
    else {
      known.add(key)
      events.push({ event, atMs })
    }
  }
  const fromMs = events[0]?.atMs ?? 0
  const kept = events.filter(({ atMs }) => atMs - fromMs <= nightLengthMost).slice(0, nightEventsMost)
  return { events: kept, fromMs, untilMs: kept.at(-1)?.atMs ?? fromMs, repeated, tests }
}

/** Which of a night's events came nearest to a moment; of a night without any, 0. Logarithmic. */
export function nearestTo({ events }: Pick<Night, 'events'>, atMs: number): number {
  let from = 0
  let until = events.length
  while (from < until) {
    const middle = (from + until) >> 1
    if ((events[middle]?.atMs ?? 0) < atMs) from = middle + 1
    else until = middle
  }
  const [before, after] = [events[from - 1], events[from]]
  if (!before) return 0
  return !after || atMs - before.atMs <= after.atMs - atMs ? from - 1 : from
}
