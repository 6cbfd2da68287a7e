import type { CanonicalEvent } from '../events/schema.ts'
import { viewerIdOf } from '../events/viewerIdOf.ts'
import { memberships, standingOf, type Standing } from '../gate/standing.ts'
import { earnedBy } from '../points/earnedBy.ts'
import { callsBy } from '../response/respond.ts'
import type { ChannelOnAir } from '../response/channelOnAir.ts'
import type { TriggerCall } from '../triggers/callsOf.ts'
import { dueTimes } from '../triggers/dueTimes.ts'
import { timeEvent } from '../triggers/timeEvent.ts'
import { recollection } from './decideNight.ts'
import type { Night } from './night.ts'

/** A moment of a night at which a viewer earns points, says how long they are subscribed, or sets something off. */
export interface CalledMoment {
  atMs: number
  /** Which of the night's events; null: a given time has come. */
  at: number | null
  event: CanonicalEvent
  viewerId: string | null
  earned: number
  /** What it says of a subscription; null: nothing. */
  standing: Standing | null
  calls: readonly TriggerCall[]
}

/** `dueTimes` looks so far back at once. */
const lookMs = 5 * 60_000

/**
 * What of a night concerns triggers and points, in its order; before any gate is asked. The same under every policy. Linear in
 * the events and the minutes of the night.
 */
export function callsOfNight(night: Night, channel: ChannelOnAir): CalledMoment[] {
  const { triggers, calls: settings, timeZone } = channel
  if (triggers.length === 0) return []
  const circumstancesOf = recollection(channel)
  const saysStanding = new Set<string>(memberships)
  const moments = night.events.flatMap((each, at): CalledMoment[] => {
    const { event, atMs } = each
    const circumstances = circumstancesOf(each)
    const calls = callsBy({ event, receivedAtMs: atMs, isTest: false, circumstances }, channel)
    const viewerId = viewerIdOf(event)
    const earned = viewerId === null ? 0 : earnedBy(event, settings.points, channel)
    const standing = saysStanding.has(event.kind) ? standingOf(event) : null
    if (calls.length === 0 && earned === 0 && standing === null) return []
    return [{ atMs, at, event, viewerId, earned, standing, calls }]
  })
  const timed: CalledMoment[] = []
  if (triggers.some(({ isArmed, starts }) => isArmed && starts.some(({ by }) => by === 'time')))
    for (let fromMs = night.fromMs; fromMs < night.untilMs; fromMs += lookMs)
      for (const { triggerId, atMs } of dueTimes(
        triggers,
        fromMs,
        Math.min(night.untilMs, fromMs + lookMs),
        timeZone,
      )) {
        const name = triggers.find(({ id }) => id === triggerId)?.name ?? triggerId
        const calls: TriggerCall[] = [{ triggerId, by: 'time', input: '', isPaid: false }]
        const event = timeEvent(triggerId, name, atMs)
        timed.push({ atMs, at: null, event, viewerId: null, earned: 0, standing: null, calls })
      }
  return timed.length === 0 ? moments : [...moments, ...timed].sort((a, b) => a.atMs - b.atMs)
}
