import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { viewerIdOf } from '../../core/events/viewerIdOf.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { changeOf } from '../../core/goal/contribution.ts'
import { earnedBy } from '../../core/points/earnedBy.ts'
import { callsBy, respond, type Effect } from '../../core/response/respond.ts'
import type { Circumstances } from '../../core/rules/circumstances.ts'
import { isOnlyCall, type TriggerCall } from '../../core/triggers/callsOf.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { CountedAmount, DecidedEvents, EarnedPoints } from '../db/queries/decidedEvents.ts'
import type { EffectRow } from '../db/queries/effects.ts'
import type { EventRow } from '../db/queries/events.ts'
import type { PlayRow } from '../db/queries/plays.ts'
import { newId } from '../system/ids.ts'

type RunRow = DecidedEvents['runs'][number]
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
  eventId: string
  /** What sources are given, as it is before its voices have spoken. Built when it is asked for. */
  show: () => PlayToShow
  /** Its message has pictures that are to be fetched while it waits. */
  hasEmotes: boolean
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
 * Decides everything before anything is written. Whether an event is new is only known afterwards; what a repeat would
 * cause is dropped.
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
  const decided: Decided = {
    rows: {
      events: [],
      effects: [],
      plays: [],
      runs: [],
      earned: [],
      counted: [],
      bases: [{ channelId, basis: onAir.goals.basis }],
      tallies: [],
    },
    plays: [],
  }
  incoming.forEach((each, index) => {
    const { occurredAtMs, isTest, ...of } = each
    const row = {
      ...of,
      id: newId('event', nowMs),
      channelId,
      feedId: feed?.id ?? null,
      occurredAt: new Date(occurredAtMs),
      receivedAt,
      isTest,
    }
    decided.rows.events.push(row)
    const circumstances = pretended?.circumstances ?? circumstancesOf(each.source, previous[index] ?? null, onAir)
    const arrived = { event: canonicalOf(row), receivedAtMs: nowMs, isTest, circumstances }
    const calls = callsBy(arrived, onAir)
    const wish = { onlyBoxId, variationId: pretended?.variationId ?? null }
    for (const effect of respond(arrived, onAir, wish, calls)) addEffect(decided, row, effect, nowMs)
    if (isTest) return
    for (const call of calls) decided.rows.runs.push(runOf(row, arrived.event, call, onAir, nowMs))
    const earned = earnedOf(row, arrived.event, onAir)
    if (earned) decided.rows.earned.push(earned)
    decided.rows.counted.push(...countedOf(row, arrived.event, onAir))
  })
  if (feed) decided.rows.tallies.push(tallyOf(feed, incoming, receivedAt))
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

function tallyOf(feed: { id: string; rejected: number }, incoming: readonly IncomingEvent[], receivedAt: Date) {
  const newest = incoming.reduce<number | null>((latest, event) => Math.max(latest ?? 0, event.occurredAtMs), null)
  return {
    feedId: feed.id,
    total: incoming.length,
    rejected: feed.rejected,
    receivedAt,
    lagMs: newest === null ? null : Math.max(0, receivedAt.getTime() - newest),
  }
}

/** Puts an effect into the rows that are kept, and into the line where it is still to be carried out. */
function addEffect({ rows, plays }: Decided, event: KeptEvent, effect: Effect, nowMs: number): void {
  const { lane, kind, boxId, decided, why, alert, settled } = effect
  const id = newId(alert ? 'play' : 'effect', nowMs)
  const row: EffectRow = {
    id,
    eventId: event.id,
    channelId: event.channelId,
    lane,
    kind,
    isAgain: false,
    decided,
    why,
    outcome: settled?.outcome ?? null,
    reason: settled?.reason ?? '',
    outcomeAt: settled ? new Date(nowMs) : null,
  }
  rows.effects.push(row)
  if (!alert) return
  const { variation, versionId, alertId, lengthMs, score, speaks, isAwaiting, facts, together } = alert
  const play: PlayRow = {
    id,
    boxId,
    eventId: event.id,
    versionId,
    alertId,
    variationId: variation.id,
    variationName: variation.name,
    lengthMs,
    isTest: event.isTest,
    ...untouchedPlay(nowMs),
    approval: isAwaiting ? 'awaiting' : 'none',
    facts,
    together: together ?? null,
  }
  rows.plays.push(play)
  plays.push({
    boxId,
    eventId: event.id,
    ticket: { playId: id, enqueuedAtMs: nowMs, lengthMs, isAwaiting, facts, ...(together ? { together } : {}) },
    show: () => showOf(play, score()),
    hasEmotes: (event.data.message?.emotes?.length ?? 0) > 0,
    speaks,
  })
}

/** A trigger that is asked for: its gate is asked by whoever carries out the channel's lane. */
function runOf(row: KeptEvent, event: CanonicalEvent, call: TriggerCall, onAir: ChannelOnAir, nowMs: number): RunRow {
  const { triggerId, by, input, isPaid } = call
  return {
    id: newId('run', nowMs),
    channelId: row.channelId,
    triggerId,
    triggerName: onAir.triggers.find(({ id }) => id === triggerId)?.name ?? triggerId,
    eventId: row.id,
    event,
    ...{ by, input, isPaid },
    viewerId: viewerIdOf(event),
    viewerName: event.data.viewer?.name ?? '',
    progress: 'asked',
    end: null,
    reason: '',
    reserved: null,
    askedAt: new Date(nowMs),
    startedAt: null,
    endedAt: null,
    done: [],
    task: null,
  }
}

function earnedOf(
  row: KeptEvent,
  event: CanonicalEvent,
  { calls, currency, rates }: ChannelOnAir,
): EarnedPoints | null {
  const viewerId = viewerIdOf(event)
  const change = isOnlyCall(event) ? 0 : earnedBy(event, calls.points, { currency, rates })
  if (viewerId === null || change === 0) return null
  return {
    ...{ channelId: row.channelId, viewerId, change, eventId: row.id },
    name: event.data.viewer?.name ?? '',
    why: event.kind,
    reference: `event:${row.id}`,
    at: row.receivedAt,
  }
}

/** What an event brings the goals of its channel. */
function countedOf(row: KeptEvent, event: CanonicalEvent, { goals, currency, rates }: ChannelOnAir): CountedAmount[] {
  return goals.counted.flatMap((goal) => {
    const amount = changeOf(goal, null, { event, isTest: false, isRefunded: false }, { currency, rates })
    return amount === 0 ? [] : [{ eventId: row.id, channelId: row.channelId, goalId: goal.id, amount }]
  })
}

/** What a play has that nobody has prepared yet. */
export function untouchedPlay(nowMs: number) {
  return {
    state: 'waiting' as const,
    shownCount: 0,
    enqueuedAt: new Date(nowMs),
    startedAt: null,
    approval: 'none' as const,
    speech: null,
    called: null,
    facts: null,
    together: null,
    mergedInto: null,
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
