import { feedSource } from '../../core/events/feedSource.ts'
import type { DeliveryAnswer } from '../../contract/deliveryAnswer.ts'
import type { TestAnswer } from '../../contract/views.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { Database } from '../db/handle.ts'
import { keepDelivery, setWatching } from '../db/queries/feeds.ts'
import { findEffect } from '../db/queries/effects.ts'
import { insertAgain, type PlayRow, type PlayWithEvent } from '../db/queries/plays.ts'
import type { KnownFeed } from '../channel/feedDirectory.ts'
import type { Removal, Translation } from '../feeds/adapter.ts'
import type { Lines } from '../queue/lines.ts'
import { isDataFault } from '../db/trouble.ts'
import { cleanText } from '../../core/text/cleanText.ts'
import { newId } from '../system/ids.ts'
import type { Metrics } from '../system/metrics.ts'
import type { GroupCommit } from './groupCommit.ts'
import {
  decideEvents,
  untouchedPlay,
  type Decided,
  type DecideRequest,
  type IncomingEvent,
  type Pretended,
} from './decideEvents.ts'
import type { KeptEvents } from './keepDecided.ts'
import type { Test } from './testOf.ts'
import type { ViewerHistory } from '../channel/viewerHistory.ts'

export interface IngestDependencies {
  db: Database
  onAir: OnAirCache
  history: ViewerHistory
  lines: Lines
  metrics: Metrics
  commits: GroupCommit<Decided, KeptEvents>
  onChange: (channelId: string) => void
  /** Keeps what chats have taken away, and takes it off the boards. */
  takeAway: (channelId: string, deliveryId: string, removals: readonly Removal[]) => Promise<void>
}

/** So much of a delivery is shown on the Feeds screen. */
const heardMax = 4_000
/** More of them than fit into that. */
const heardEvents = 40

/** The one way in for events, wherever they come from: durable and decided first, then queued, then acknowledged. */
export class Ingest {
  private readonly heard = new Map<string, { raw: string; events: Translation['events'] }>()

  constructor(private readonly deps: IngestDependencies) {}

  /** Keeps events of a channel and queues what they earn. Resolves after the commit. */
  async accept(channelId: string, incoming: readonly IncomingEvent[]): Promise<DeliveryAnswer> {
    return this.answer(await this.keep({ channelId, incoming, onlyBoxId: null, feed: null }), 0)
  }

  /**
   * Keeps what a feed's delivery was translated to, the feed's tally and, where something was not understood, the raw
   * body.
   */
  async acceptDelivery(
    feed: KnownFeed,
    webhookId: string,
    raw: string,
    { events, removals, watching, rejected }: Translation,
  ): Promise<DeliveryAnswer> {
    if (removals.length > 0) await this.deps.takeAway(feed.channelId, webhookId, removals)
    if (watching !== null) {
      await setWatching(this.deps.db, feed.id, watching, new Date())
      // Said again and again, it is nothing that happens.
      if (events.length + removals.length + rejected.length === 0) return { accepted: 0, repeated: 0, rejected: 0 }
    }
    // First, so that nothing acknowledged lacks its raw form; sent again after a crash in between, it is kept once
    // more.
    if (rejected.length > 0) await keepDelivery(this.deps.db, deliveryRow(feed.id, webhookId, raw, rejected.join('\n')))
    const incoming = events.map((event) => ({ ...event, isTest: false }))
    const { kept, spoilt } = await this.keepWhatFits(feed, incoming, rejected.length)
    if (spoilt > 0)
      await keepDelivery(
        this.deps.db,
        deliveryRow(feed.id, webhookId, raw, `${spoilt} of it could not be kept: a value does not fit.`),
      )
    this.heard.set(feed.id, { raw: raw.slice(0, heardMax), events: events.slice(0, heardEvents) })
    this.deps.onChange(feed.channelId)
    return this.answer(kept, rejected.length + spoilt)
  }

  /** The newest delivery of a feed, as sent and as understood, since the server started. */
  lastHeard(feedId: string): { raw: string; understood: string } | null {
    const heard = this.heard.get(feedId)
    if (!heard) return null
    const understood = heard.events.map(({ source: _source, ...event }) => event)
    return { raw: heard.raw, understood: JSON.stringify(understood, null, 2).slice(0, heardMax) }
  }

  /** Forgets the newest delivery of a feed: somebody in it is to be forgotten. @param source as its events name it */
  forgetHeard(source: string): void {
    for (const feedId of this.heard.keys()) if (feedSource(feedId) === source) this.heard.delete(feedId)
  }

  /** Keeps a signed delivery of which nothing was understood, for inspection. */
  async keepNotUnderstood(feed: KnownFeed, webhookId: string, raw: string, note: string): Promise<void> {
    await keepDelivery(this.deps.db, deliveryRow(feed.id, webhookId, raw, note))
    this.answer(
      await this.keep({ channelId: feed.channelId, incoming: [], onlyBoxId: null, feed: { id: feed.id, rejected: 1 } }),
      1,
    )
    this.deps.onChange(feed.channelId)
  }

  /** Sends a test: an event for one box, marked as a test, that takes the way of every other event. */
  async sendTest(channelId: string, boxId: string, { event, pretended }: Test): Promise<TestAnswer> {
    const { kind, data, occurredAtMs } = event
    const incoming: IncomingEvent = {
      source: 'test',
      externalId: newId('test'),
      kind,
      data,
      occurredAtMs,
      isTest: true,
    }
    const { effects, plays, acceptedIds } = await this.keep({
      channelId,
      incoming: [incoming],
      onlyBoxId: boxId,
      feed: null,
      pretended,
    })
    // It is kept and will be shown, whoever carries out the line by then.
    const sources = await this.deps.lines.act(boxId, { do: 'countSources' }).catch(() => 0)
    return {
      eventId: acceptedIds[0] ?? '',
      playId: plays[0]?.ticket.playId ?? null,
      reason: effects[0]?.decided ?? '',
      sources: Number(sources),
    }
  }

  /** Plays something again, as it was decided then. @param isAmongMany it may be shown with others @returns the id of the new play; null where there is none to repeat */
  async replay(of: PlayWithEvent, isAmongMany = false): Promise<string | null> {
    const { db, lines } = this.deps
    const decided = await findEffect(db, of.id)
    if (!decided) return null
    const nowMs = Date.now()
    const {
      boxId,
      eventId,
      versionId,
      alertId,
      variationId,
      variationName,
      lengthMs,
      isTest,
      speech,
      approval,
      called,
    } = of
    // Whoever wants it once more wants it by itself.
    const facts = of.facts && (isAmongMany ? of.facts : { ...of.facts, several: null, gifts: null })
    const play: PlayRow = {
      ...{ boxId, eventId, versionId, alertId, variationId, variationName, lengthMs, isTest },
      id: newId('play', nowMs),
      ...untouchedPlay(nowMs),
      called,
      facts,
      // Whoever shows it again has seen what is read of it; what was not to be read is not read now either.
      speech,
      approval: approval === 'awaiting' ? 'given' : approval,
    }
    await insertAgain(db, play, decided)
    lines.add(boxId, { playId: play.id, enqueuedAtMs: nowMs, lengthMs, facts }, speech !== null)
    return play.id
  }

  /**
   * Keeps what a feed sent. Where the database refuses a value in it, whichever that is, each event is kept by itself, so that
   * one of them cannot take the others with it.
   */
  private async keepWhatFits(
    feed: KnownFeed,
    incoming: readonly IncomingEvent[],
    rejected: number,
  ): Promise<{ kept: KeptEvents; spoilt: number }> {
    const of = { channelId: feed.channelId, onlyBoxId: null }
    try {
      return { kept: await this.keep({ ...of, incoming, feed: { id: feed.id, rejected } }), spoilt: 0 }
    } catch (error) {
      if (!isDataFault(error)) throw error
    }
    const all: KeptEvents = {
      acceptedIds: [],
      events: [],
      repeatedCount: 0,
      effects: [],
      plays: [],
      callsIn: [],
      countedIn: [],
    }
    let spoilt = 0
    for (const [index, each] of incoming.entries()) {
      try {
        const tally = { id: feed.id, rejected: index === 0 ? rejected : 0 }
        const kept = await this.keep({ ...of, incoming: [each], feed: tally })
        all.acceptedIds.push(...kept.acceptedIds)
        all.repeatedCount += kept.repeatedCount
      } catch (error) {
        if (!isDataFault(error)) throw error
        spoilt += 1
      }
    }
    return { kept: all, spoilt }
  }

  private async keep({
    pretended = null,
    ...request
  }: Omit<DecideRequest, 'onAir' | 'nowMs' | 'previous' | 'pretended'> & {
    pretended?: Pretended | null
  }): Promise<KeptEvents> {
    const { onAir, commits, metrics, history } = this.deps
    const channel = await onAir.read(request.channelId)
    const stopTimer = metrics.durableWrite.startTimer()
    const previous = await history.previousOf(request.channelId, request.incoming, channel.historyKinds)
    const kept = await commits.add(decideEvents({ ...request, onAir: channel, previous, pretended, nowMs: Date.now() }))
    stopTimer()
    return kept
  }

  /** Counts what became of a piece of input, and says it to its sender. */
  private answer({ acceptedIds, repeatedCount }: KeptEvents, rejected: number): DeliveryAnswer {
    const answer = { accepted: acceptedIds.length, repeated: repeatedCount, rejected }
    for (const [outcome, count] of Object.entries(answer)) this.deps.metrics.events.inc({ outcome }, count)
    return answer
  }
}

function deliveryRow(feedId: string, webhookId: string, raw: string, note: string) {
  // A NUL is the one character that a database text cannot hold.
  return {
    id: newId('delivery'),
    feedId,
    webhookId,
    receivedAt: new Date(),
    isUnderstood: false,
    raw: raw.replaceAll('\0', '\uFFFD').toWellFormed(),
    note: cleanText(note).slice(0, 20_000),
  }
}
