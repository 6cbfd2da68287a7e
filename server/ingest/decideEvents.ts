import type { BoxDocument, Variation } from '../../core/composition/box.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { decide } from '../../core/decisions/decide.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { Ticket } from '../../core/queue/state.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { BoxOnAir, ChannelOnAir } from '../boxes/onAir.ts'
import type { DecidedEvents } from '../db/queries/decidedEvents.ts'
import type { EventRow } from '../db/queries/events.ts'
import type { PlayRow } from '../db/queries/plays.ts'
import { newId } from '../system/ids.ts'

type KeptEvent = Omit<EventRow, 'seq'>

/** An event on its way in: checked, but not yet known to be new. */
export interface IncomingEvent {
  source: string
  externalId: string
  kind: EventKind
  data: CanonicalEvent['data']
  occurredAtMs: number
  isTest: boolean
}

/** A play that an event earned, ready for its box's queue. */
export interface EarnedPlay {
  boxId: string
  ticket: Ticket
  show: PlayToShow
}

/** One piece of input on its way to the database: a delivery, a batch, a test. */
export interface Decided {
  rows: DecidedEvents
  plays: EarnedPlay[]
}

export interface DecideRequest {
  channelId: string
  onAir: ChannelOnAir
  incoming: readonly IncomingEvent[]
  /** A test concerns one box; null: all boxes of the channel decide. */
  onlyBoxId: string | null
  /** The feed that delivered it, and how many things in it were not understood; null: it came another way. */
  feed: { id: string; rejected: number } | null
  nowMs: number
}

/** Decides everything before anything is written. Whether an event is new is only known afterwards; a repeat's decision is dropped. */
export function decideEvents({ channelId, onAir, incoming, onlyBoxId, feed, nowMs }: DecideRequest): Decided {
  const receivedAt = new Date(nowMs)
  const events = incoming.map(({ occurredAtMs, ...rest }) => ({ ...rest, id: newId('event', nowMs), channelId, feedId: feed?.id ?? null, occurredAt: new Date(occurredAtMs), receivedAt }))
  const newest = incoming.reduce<number | null>((latest, event) => Math.max(latest ?? 0, event.occurredAtMs), null)
  const tallies = feed ? [{ feedId: feed.id, total: incoming.length, rejected: feed.rejected, receivedAt, lagMs: newest === null ? null : Math.max(0, nowMs - newest) }] : []
  const decided: Decided = { rows: { events, decisions: [], plays: [], tallies }, plays: [] }
  for (const event of events) {
    for (const box of onAir.boxes) {
      if (onlyBoxId === null || box.boxId === onlyBoxId) decideForBox(event, box, onAir, nowMs, decided)
    }
  }
  return decided
}

function decideForBox(event: KeptEvent, box: BoxOnAir, onAir: ChannelOnAir, nowMs: number, decided: Decided): void {
  const { decision, variation } = decide(canonicalOf(event), box.version?.document ?? null, onAir)
  const { why } = decision
  const nothing = (reason: string) => {
    decided.rows.decisions.push({ eventId: event.id, boxId: box.boxId, outcome: 'nothing', variationName: null, playId: null, reason, why })
  }
  if (decision.outcome === 'nothing' || !box.version || !variation) return nothing(decision.reason)
  const score = scoreFor(event, box.version.document, variation, onAir)
  if (!score.ok) return nothing(`The score of “${variation.name}” cannot be played: its anchors do not resolve (${score.error.type}).`)
  const { alertId, variationId, variationName, reason } = decision
  const { boxId } = box
  const { lengthMs } = score.value
  const playId = newId('play', nowMs)
  const play: PlayRow = { id: playId, boxId, eventId: event.id, versionId: box.version.id, alertId, variationId, variationName, lengthMs, isTest: event.isTest, ...untouchedPlay(nowMs) }
  decided.rows.decisions.push({ eventId: event.id, boxId, outcome: 'plays', variationName, playId, reason, why })
  decided.rows.plays.push(play)
  decided.plays.push({ boxId, ticket: { playId, enqueuedAtMs: nowMs, lengthMs }, show: showOf(play, score.value) })
}

/** A variation settled for a kept event, as it stands in this version of its box. */
export function scoreFor(event: KeptEvent, { canvas, look, zones }: BoxDocument, variation: Variation, { locale, media }: ChannelOnAir) {
  return resolveScore(variation.composition, { canvas, look, zones, event: canonicalOf(event), locale, media })
}

/** What a play has that nobody has prepared yet. */
export function untouchedPlay(nowMs: number) {
  return { state: 'waiting' as const, reason: '', shownCount: 0, enqueuedAt: new Date(nowMs), startedAt: null, endedAt: null }
}

export function showOf(play: Pick<PlayRow, 'id' | 'eventId' | 'variationName'>, score: ResolvedScore): PlayToShow {
  return { playId: play.id, eventId: play.eventId, variationName: play.variationName, score }
}

/** A kept event as the core knows it. */
export function canonicalOf(row: KeptEvent): CanonicalEvent {
  const { kind, source, externalId, data } = row
  // The row was checked against its kind when it came in; the database cannot carry that pairing in its types.
  return { kind, source, externalId, data, occurredAtMs: row.occurredAt.getTime() } as CanonicalEvent
}
