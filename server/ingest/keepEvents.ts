import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { decide } from '../../core/decisions/decide.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { Ticket } from '../../core/queue/state.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { BoxOnAir, ChannelOnAir } from '../boxes/onAir.ts'
import type { Database } from '../db/handle.ts'
import { insertDecisions, insertNewEvents, type DecisionRow, type EventRow } from '../db/queries/events.ts'
import { insertPlays, type PlayRow } from '../db/queries/plays.ts'
import { newId } from '../system/ids.ts'

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

export interface KeptEvents {
  accepted: EventRow[]
  repeatedCount: number
  decisions: DecisionRow[]
  plays: EarnedPlay[]
}

/**
 * Makes events durable together with what was decided about them; call inside a transaction. What was seen before is
 * counted as a repeat and decides nothing again.
 * @param onlyBoxId a test concerns one box; null: all boxes of the channel decide
 */
export async function keepEvents(
  tx: Database,
  channelId: string,
  onAir: ChannelOnAir,
  incoming: readonly IncomingEvent[],
  onlyBoxId: string | null,
  nowMs: number,
): Promise<KeptEvents> {
  const accepted = await insertNewEvents(
    tx,
    incoming.map(({ occurredAtMs, ...rest }) => ({ ...rest, id: newId('event', nowMs), channelId, occurredAt: new Date(occurredAtMs), receivedAt: new Date(nowMs) })),
  )
  const kept: KeptEvents = { accepted, repeatedCount: incoming.length - accepted.length, decisions: [], plays: [] }
  const playRows: PlayRow[] = []
  for (const event of [...accepted].sort((a, b) => a.seq - b.seq)) {
    for (const box of onAir.boxes) {
      if (onlyBoxId === null || box.boxId === onlyBoxId) decideForBox(event, box, onAir, nowMs, kept, playRows)
    }
  }
  await insertPlays(tx, playRows)
  await insertDecisions(tx, kept.decisions)
  return kept
}

function decideForBox(event: EventRow, box: BoxOnAir, onAir: ChannelOnAir, nowMs: number, kept: KeptEvents, playRows: PlayRow[]): void {
  const { decision, variation } = decide(event.kind, box.version?.document ?? null)
  const nothing = (reason: string) => {
    kept.decisions.push({ eventId: event.id, boxId: box.boxId, outcome: 'nothing', variationName: null, playId: null, reason })
  }
  if (decision.outcome === 'nothing' || !box.version || !variation) return nothing(decision.reason)
  const { canvas, look } = box.version.document
  const score = resolveScore(variation.composition, { canvas, look, event: canonicalOf(event), locale: onAir.locale, media: onAir.media })
  if (!score.ok) return nothing(`The score of “${variation.name}” cannot be played: its anchors do not resolve (${score.error.type}).`)
  const playId = newId('play', nowMs)
  kept.decisions.push({ eventId: event.id, boxId: box.boxId, outcome: 'plays', variationName: variation.name, playId, reason: decision.reason })
  const play = playRow(playId, box.boxId, event, box.version.id, decision, score.value.lengthMs, nowMs)
  playRows.push(play)
  kept.plays.push({ boxId: box.boxId, ticket: { playId, enqueuedAtMs: nowMs, lengthMs: score.value.lengthMs }, show: showOf(play, score.value) })
}

function playRow(
  id: string,
  boxId: string,
  event: EventRow,
  versionId: string,
  decision: { alertId: string; variationId: string; variationName: string; reason: string },
  lengthMs: number,
  nowMs: number,
): PlayRow {
  const { alertId, variationId, variationName } = decision
  const times = { enqueuedAt: new Date(nowMs), startedAt: null, endedAt: null }
  return { id, boxId, eventId: event.id, versionId, alertId, variationId, variationName, state: 'waiting', reason: '', lengthMs, isTest: event.isTest, shownCount: 0, ...times }
}

export function showOf(play: Pick<PlayRow, 'id' | 'eventId' | 'variationName'>, score: ResolvedScore): PlayToShow {
  return { playId: play.id, eventId: play.eventId, variationName: play.variationName, score }
}

/** A kept event as the core knows it. */
export function canonicalOf(row: EventRow): CanonicalEvent {
  const { kind, source, externalId, data } = row
  // The row was checked against its kind when it came in; the database cannot carry that pairing in its types.
  return { kind, source, externalId, data, occurredAtMs: row.occurredAt.getTime() } as CanonicalEvent
}
