import type { DeliveryAnswer } from '../../contract/deliveryAnswer.ts'
import type { TestAnswer } from '../../contract/views.ts'
import type { OnAirCache } from '../boxes/onAir.ts'
import type { Database } from '../db/handle.ts'
import { keepDelivery } from '../db/queries/feeds.ts'
import { insertPlays, type PlayWithEvent } from '../db/queries/plays.ts'
import type { KnownFeed } from '../feeds/feedDirectory.ts'
import type { Translation } from '../feeds/adapter.ts'
import type { BoxQueues } from '../queue/boxQueues.ts'
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
import type { ViewerHistory } from './viewerHistory.ts'

export interface IngestDependencies {
  db: Database
  onAir: OnAirCache
  history: ViewerHistory
  queues: BoxQueues
  metrics: Metrics
  commits: GroupCommit<Decided, KeptEvents>
  onChange: (channelId: string) => void
}

/** So much of a delivery is shown on the Feeds screen. */
const heardMax = 4_000

/** The one way in for events, wherever they come from: durable and decided first, then queued, then acknowledged. */
export class Ingest {
  private readonly heard = new Map<string, { raw: string; understood: string }>()

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
    { events, rejected }: Translation,
  ): Promise<DeliveryAnswer> {
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
    this.heard.set(feed.id, {
      raw: raw.slice(0, heardMax),
      understood: JSON.stringify(
        events.map(({ source: _source, ...event }) => event),
        null,
        2,
      ).slice(0, heardMax),
    })
    this.deps.onChange(feed.channelId)
    return this.answer(kept, rejected.length + spoilt)
  }

  /** The newest delivery of a feed, as sent and as understood, since the server started. */
  lastHeard(feedId: string): { raw: string; understood: string } | null {
    return this.heard.get(feedId) ?? null
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
    const { decisions, plays, acceptedIds } = await this.keep({
      channelId,
      incoming: [incoming],
      onlyBoxId: boxId,
      feed: null,
      pretended,
    })
    const sources = Object.keys(this.deps.queues.find(boxId)?.state.sources ?? {}).length
    return {
      eventId: acceptedIds[0] ?? '',
      playId: plays[0]?.ticket.playId ?? null,
      reason: decisions[0]?.reason ?? '',
      sources,
    }
  }

  /** Plays something again, as it was decided then. */
  async replay(play: PlayWithEvent): Promise<string> {
    const nowMs = Date.now()
    const playId = newId('play', nowMs)
    const { event: _event, ...row } = play
    // Whoever shows it again has seen what is read of it; what was not to be read is not read now either.
    const { speech, approval } = play
    await insertPlays(this.deps.db, [
      { ...row, id: playId, ...untouchedPlay(nowMs), speech, approval: approval === 'awaiting' ? 'given' : approval },
    ])
    this.deps.queues.add(play.boxId, { playId, enqueuedAtMs: nowMs, lengthMs: play.lengthMs })
    if (speech) this.deps.queues.speakAhead(play.boxId, playId)
    return playId
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
    const all: KeptEvents = { acceptedIds: [], repeatedCount: 0, decisions: [], plays: [] }
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
    const { onAir, commits, metrics, queues, history } = this.deps
    const channel = await onAir.read(request.channelId)
    const stopTimer = metrics.durableWrite.startTimer()
    const previous = await history.previousOf(request.channelId, request.incoming, channel.historyKinds)
    const kept = await commits.add(decideEvents({ ...request, onAir: channel, previous, pretended, nowMs: Date.now() }))
    stopTimer()
    queues.enqueue(kept.plays)
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
