import type { BoxDocument, Variation } from '../../core/composition/box.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { decide, type Choice } from '../../core/decisions/decide.ts'
import type { Circumstances } from '../../core/rules/circumstances.ts'
import { dressAt } from '../../core/look/seasons.ts'
import { voicesOf } from '../../core/speech/sayings.ts'
import type { SpokenParts } from '../../core/speech/spoken.ts'
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

/** What a test pretends, where it is for one case rather than for whatever its event deserves. */
export interface Pretended {
  circumstances: Circumstances
  /** The case that is to be seen; null: whichever applies. */
  variationId: string | null
}

/** A play that an event earned, ready for its box's queue. */
export interface EarnedPlay {
  boxId: string
  ticket: Ticket
  /** As it is before its voices have spoken. */
  show: PlayToShow
  /** It has voices with something to say. */
  speaks: boolean
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
  /** When each event's viewer did the same last; see `ViewerHistory`. */
  previous: readonly (number | null)[]
  pretended: Pretended | null
  nowMs: number
}

/**
 * Decides everything before anything is written. Whether an event is new is only known afterwards; a repeat's decision
 * is dropped.
 */
export function decideEvents({
  channelId,
  onAir,
  incoming,
  onlyBoxId,
  feed,
  previous,
  pretended,
  nowMs,
}: DecideRequest): Decided {
  const receivedAt = new Date(nowMs)
  const events = incoming.map(({ occurredAtMs, ...rest }) => ({
    ...rest,
    id: newId('event', nowMs),
    channelId,
    feedId: feed?.id ?? null,
    occurredAt: new Date(occurredAtMs),
    receivedAt,
  }))
  const newest = incoming.reduce<number | null>((latest, event) => Math.max(latest ?? 0, event.occurredAtMs), null)
  const tallies = feed
    ? [
        {
          feedId: feed.id,
          total: incoming.length,
          rejected: feed.rejected,
          receivedAt,
          lagMs: newest === null ? null : Math.max(0, nowMs - newest),
        },
      ]
    : []
  const decided: Decided = { rows: { events, decisions: [], plays: [], tallies }, plays: [] }
  events.forEach((event, index) => {
    const circumstances = pretended?.circumstances ?? circumstancesOf(event.source, previous[index] ?? null, onAir)
    for (const box of onAir.boxes) {
      if (onlyBoxId === null || box.boxId === onlyBoxId)
        decideForBox(event, { circumstances, variationId: pretended?.variationId ?? null }, box, onAir, nowMs, decided)
    }
  })
  return decided
}

/** What surrounds an event that came in a channel. */
export function circumstancesOf(
  source: string,
  previousAtMs: number | null,
  { platforms }: Pick<ChannelOnAir, 'platforms'>,
): Circumstances {
  return { platform: platforms[source] ?? 'api', previousAtMs }
}

function decideForBox(
  event: KeptEvent,
  { circumstances, variationId: wanted }: Pretended,
  box: BoxOnAir,
  onAir: ChannelOnAir,
  nowMs: number,
  decided: Decided,
): void {
  const document = box.version?.document ?? null
  const { decision, variation } = wantedChoice(
    decide(canonicalOf(event), circumstances, document, onAir),
    document,
    wanted,
  )
  const { why } = decision
  const nothing = (reason: string) => {
    decided.rows.decisions.push({
      eventId: event.id,
      boxId: box.boxId,
      outcome: 'nothing',
      variationName: null,
      playId: null,
      reason,
      why,
    })
  }
  if (decision.outcome === 'nothing' || !box.version || !variation) return nothing(decision.reason)
  const score = scoreFor(event, box.version.document, variation, onAir)
  if (!score.ok)
    return nothing(
      `The score of “${variation.name}” cannot be played: its anchors do not resolve (${score.error.type}).`,
    )
  const { alertId, variationId, variationName, reason } = decision
  const { boxId } = box
  const { lengthMs } = score.value
  const playId = newId('play', nowMs)
  const voices = voicesOf(variation.composition, canonicalOf(event), onAir.locale)
  // Whoever tests has written the words themselves.
  const isAwaiting =
    onAir.speech.isOn &&
    onAir.speech.approvesMessages &&
    !event.isTest &&
    voices.some(({ sayings }) => sayings.some(({ of }) => of === 'message'))
  const play: PlayRow = {
    id: playId,
    boxId,
    eventId: event.id,
    versionId: box.version.id,
    alertId,
    variationId,
    variationName,
    lengthMs,
    isTest: event.isTest,
    ...untouchedPlay(nowMs),
    approval: isAwaiting ? 'awaiting' : 'none',
  }
  decided.rows.decisions.push({ eventId: event.id, boxId, outcome: 'plays', variationName, playId, reason, why })
  decided.rows.plays.push(play)
  decided.plays.push({
    boxId,
    ticket: { playId, enqueuedAtMs: nowMs, lengthMs, isAwaiting },
    show: showOf(play, score.value),
    speaks: voices.length > 0,
  })
}

/** The case that a test is for; where it is not the one that would be chosen, the reason says so. */
function wantedChoice(choice: Choice, document: BoxDocument | null, wanted: string | null): Choice {
  if (wanted === null || choice.variation?.id === wanted) return choice
  const alert = document?.alerts.find(({ variations }) => variations.some(({ id }) => id === wanted))
  const variation = alert?.variations.find(({ id }) => id === wanted)
  if (!alert || !variation) return choice
  const reason = `“${variation.name}” plays because the test asked for it. Without that: ${choice.decision.reason}`
  return {
    decision: {
      outcome: 'plays',
      alertId: alert.id,
      variationId: variation.id,
      variationName: variation.name,
      reason,
      why: choice.decision.why ?? { alertId: alert.id, variations: [], draw: null },
    },
    variation,
  }
}

/** A variation settled for a kept event, as it stands in this version of its box. */
export function scoreFor(
  event: KeptEvent,
  document: BoxDocument,
  variation: Variation,
  { locale, media, timeZone }: ChannelOnAir,
  spoken: SpokenParts = {},
) {
  const { canvas, zones, alerts } = document
  // The look of the day on which it came: what waits over midnight, or is shown again, looks as it was decided.
  const { look, swaps } = dressAt(document, event.receivedAt.getTime(), timeZone)
  const offer = alerts.find(({ variations }) => variations.includes(variation))?.offer ?? null
  return resolveScore(variation.composition, {
    canvas,
    look,
    zones,
    event: canonicalOf(event),
    offer,
    swaps,
    locale,
    media,
    spoken,
  })
}

/** What a play has that nobody has prepared yet. */
export function untouchedPlay(nowMs: number) {
  return {
    state: 'waiting' as const,
    reason: '',
    shownCount: 0,
    enqueuedAt: new Date(nowMs),
    startedAt: null,
    endedAt: null,
    approval: 'none' as const,
    speech: null,
  }
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
