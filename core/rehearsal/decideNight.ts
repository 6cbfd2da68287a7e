import type { BoxDocument } from '../composition/box.ts'
import type { Arrival } from '../queue/flood.ts'
import type { Ticket } from '../queue/ticket.ts'
import type { BoxOnAir, ChannelOnAir } from '../response/channelOnAir.ts'
import type { Outcome } from '../response/outcome.ts'
import { respond } from '../response/respond.ts'
import { shownLengthMs } from '../response/shownAs.ts'
import type { Circumstances } from '../rules/circumstances.ts'
import type { Why } from '../rules/why.ts'
import type { Night, NightEvent } from './night.ts'

/** What a box decides about one event of a night. */
export interface DecidedEvent {
  /** Which of the night's events. */
  at: number
  decided: string
  why: Why | null
  /** What comes into the line; null: nothing is shown. */
  arrival: Arrival | null
  /** What became of it where nothing is shown. */
  settled: { outcome: Outcome; reason: string } | null
}

/** What a play is shown for. */
export type PlayedFor = Pick<NightEvent, 'event' | 'atMs'>

/**
 * How long plays of a night last as they are shown: what stands in the line is near. Asked again and again for the same, it is
 * worked out once.
 */
export function lengthsOf(
  night: Night,
  channel: ChannelOnAir,
  document: BoxDocument,
): (ticket: Ticket, sheetPlay?: PlayedFor) => number | null {
  const known = new Map<string, number | null>()
  return (ticket, sheetPlay) => {
    const { isShort = false, together, brought, playId } = ticket
    // As it usually is it was looked at when it came.
    if (!isShort && !together && brought === undefined) return null
    const key = [playId, isShort, together?.count, together?.total, brought].join(' ')
    const before = sheetPlay ? undefined : known.get(key)
    if (before !== undefined) return before
    const of = sheetPlay ?? night.events[placeOfPlay(playId)]
    const lengthMs = of ? shownLengthMs(ticket, { event: of.event, receivedAtMs: of.atMs, document, channel }) : null
    // What a sheet plays has another number under another policy.
    if (!sheetPlay) known.set(key, lengthMs)
    return lengthMs
  }
}

/** Whoever acts in a night is told apart as a channel tells them apart: by feed, kind and viewer. */
export function recollection(channel: ChannelOnAir): (night: NightEvent) => Circumstances {
  const lastMs = new Map<string, number>()
  return ({ event }) => {
    const { source, kind, occurredAtMs } = event
    const viewerId = event.data.viewer?.id
    const key = `${source}\n${kind}\n${viewerId}`
    const before = lastMs.get(key)
    if (viewerId !== undefined) lastMs.set(key, Math.max(before ?? occurredAtMs, occurredAtMs))
    const isAsked = viewerId !== undefined && channel.historyKinds.has(kind)
    return { platform: channel.platforms[source] ?? 'api', previousAtMs: isAsked ? (before ?? null) : null }
  }
}

const playPrefix = 'night-'
/** The id under which an event of a night stands in the line. */
export const playIdOf = (at: number): string => `${playPrefix}${at}`
export const placeOfPlay = (playId: string): number => Number(playId.slice(playPrefix.length))

/**
 * What a box decides about every event of a night, by the same rules as on air. What viewers did before the night is not known:
 * whoever comes first in it is there for the first time. How it is shown does not depend on how the box behaves when much
 * comes, so that this is done once for all policies. Linear in the events.
 * @param onTold told now and then how many are decided
 */
export function decideNight(
  night: Night,
  channel: ChannelOnAir,
  box: BoxOnAir,
  onTold: (count: number) => void = () => undefined,
): DecidedEvent[] {
  const only: ChannelOnAir = { ...channel, boxes: [box] }
  const circumstancesOf = recollection(channel)
  return night.events.map((each, at): DecidedEvent => {
    if (at % 250 === 0) onTold(at)
    const { event, atMs } = each
    const [effect] = respond({ event, receivedAtMs: atMs, isTest: false, circumstances: circumstancesOf(each) }, only)
    const alert = effect?.alert ?? null
    return {
      at,
      decided: effect?.decided ?? '',
      why: effect?.why ?? null,
      arrival: alert && {
        atMs,
        ticket: { playId: playIdOf(at), enqueuedAtMs: atMs, lengthMs: alert.lengthMs, facts: alert.facts },
      },
      settled: effect?.settled ?? null,
    }
  })
}
