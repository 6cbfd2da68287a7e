import type { EventKind } from '../events/kinds.ts'
import type { Night } from './night.ts'

/** A minute of a night in which much came. */
export interface NightBurst {
  atMs: number
  count: number
  /** What came most in it. */
  kind: EventKind
}

const withinMs = 60_000
/** Two of them lie at least so far apart. */
const apartMs = 5 * 60_000
const leastCount = 8
/** So many times as much as in a usual minute of the night. */
const timesUsual = 4
const burstsMost = 12

/**
 * The minutes of a night in which by far the most came, in order: each has at least eight events and four times as many as its
 * average minute, and lies five minutes from the others. Linear, but for putting them in order.
 */
export function burstsOf({ events, fromMs, untilMs }: Night): NightBurst[] {
  const minutes = Math.max(1, (untilMs - fromMs) / withinMs)
  const least = Math.max(leastCount, (timesUsual * events.length) / minutes)
  let until = 0
  const windows = events.flatMap(({ atMs }, from) => {
    while (until < events.length && (events[until]?.atMs ?? Infinity) < atMs + withinMs) until += 1
    return until - from >= least ? [{ from, until, atMs, count: until - from }] : []
  })
  const taken: typeof windows = []
  for (const each of windows.sort((a, b) => b.count - a.count || a.atMs - b.atMs)) {
    if (taken.length === burstsMost) break
    if (taken.every(({ atMs }) => Math.abs(atMs - each.atMs) >= apartMs)) taken.push(each)
  }
  return taken
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ from, until: end, atMs, count }) => {
      const kinds = new Map<EventKind, number>()
      for (const { event } of events.slice(from, end)) kinds.set(event.kind, (kinds.get(event.kind) ?? 0) + 1)
      const [kind = 'follow'] = [...kinds].sort(([, a], [, b]) => b - a).map(([name]) => name)
      return { atMs, count, kind }
    })
}
