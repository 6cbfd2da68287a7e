import { isStillBecause } from './advance.ts'
import type { Waiting } from './line.ts'
import type { QueuePolicy } from './policy.ts'
import { allowedFromMs, lately } from './rules/airtime.ts'
import { shortened } from './rules/elastic.ts'
import type { QueueState } from './state.ts'

/** Why a play waits. */
export type Why =
  /** Others stand before it. */
  | { because: 'turn' }
  /** Alerts have had their share of the minute. */
  | { because: 'airtime' }
  /** Somebody has to let it be shown, or be read. */
  | { because: 'showing' | 'reading'; untilMs: number }
  /** Gifts that it may be one of have not been announced. */
  | { because: 'gifts'; untilMs: number }
  /** Nothing begins, whatever waits. */
  | { because: 'held' | 'noSource' | 'doubt' }
  | { because: 'quiet'; why: string }

/** When a play is likely to begin, as things stand, and why not yet. */
export interface Forecast {
  waiting: Waiting
  /** Null: nobody can say. */
  startsAtMs: number | null
  why: Why
}

/**
 * When those that wait are likely to begin, if nothing comes and nobody does anything: what plays ends in its time, each takes
 * its length and the gap, short where much waits, within the share of airtime. Linear in how many are asked for.
 */
export function forecast(state: QueueState, nowMs: number, policy: QueuePolicy, most: number): Forecast[] {
  const still = isStillBecause(state)
  const { current, line } = state
  let aired = lately(state.aired, nowMs)
  let freeMs = Math.max(nowMs, state.freeAtMs)
  if (current) {
    const beganMs = current.phase === 'preparing' ? nowMs : current.startedAtMs
    freeMs = Math.max(nowMs, beganMs + current.ticket.lengthMs) + policy.gapMs
    if (current.phase === 'preparing') aired = [...aired, { fromMs: nowMs, untilMs: nowMs + current.ticket.lengthMs }]
  }
  let isFirst = current === null
  let left = line.readyCount
  const all: Forecast[] = []
  for (const waiting of line.inOrder()) {
    if (all.length >= most) break
    const { aside, isBeside } = waiting
    if (aside) all.push({ waiting, startsAtMs: null, why: { because: aside.for, untilMs: aside.untilMs } })
    else if (isBeside) all.push({ waiting, startsAtMs: still ? null : nowMs, why: still ?? { because: 'turn' } })
    else {
      const isShort = policy.elastic !== null && left >= policy.elastic.waiting
      const { lengthMs } = isShort ? shortened(waiting.ticket) : waiting.ticket
      const fromMs = allowedFromMs(aired, lengthMs, freeMs, policy.airtimePercent)
      const isShare = fromMs > freeMs && isFirst
      all.push({
        waiting,
        startsAtMs: still ? null : fromMs,
        why: still ?? (isShare ? { because: 'airtime' } : { because: 'turn' }),
      })
      aired = [...lately(aired, fromMs), { fromMs, untilMs: fromMs + lengthMs }]
      freeMs = fromMs + lengthMs + policy.gapMs
      isFirst = false
      left -= 1
    }
  }
  return all
}
