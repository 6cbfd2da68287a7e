import type { Logger } from 'pino'
import { defaultPolicy } from '../../core/queue/policy.ts'
import { recoverQueue } from '../../core/queue/recover.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { DeskView } from '../../contract/views.ts'
import type { OnAirCache } from '../boxes/onAir.ts'
import type { Database } from '../db/handle.ts'
import { findVersion, listAllBoxes, type BoxRow } from '../db/queries/boxes.ts'
import { findPlay, listEndedPlays, listOpenPlays, listPlays } from '../db/queries/plays.ts'
import { scoreFor, showOf, type EarnedPlay } from '../ingest/decideEvents.ts'
import type { SourceRooms } from '../realtime/sourceRooms.ts'
import { BoxRuntime } from './boxRuntime.ts'
import { playView } from './playViews.ts'

export interface QueueDependencies {
  db: Database
  logger: Logger
  now: () => number
  rooms: SourceRooms
  onAir: OnAirCache
  onChange: (channelId: string) => void
  onStarted: (waitedMs: number) => void
}

/** How many waiting plays and how many ended ones the desk lists. */
const waitingListed = 60
const logListed = 60
/** Scores kept at hand between decision and preparation; what fell out is built again from its version. */
const showsKept = 500

/** The queues of all boxes of this server. */
export class BoxQueues {
  private readonly runtimes = new Map<string, { runtime: BoxRuntime; channelId: string }>()
  private readonly shows = new Map<string, PlayToShow>()

  constructor(private readonly deps: QueueDependencies) {}

  /** Takes up every box where it was left. */
  async recover(): Promise<void> {
    for (const box of await listAllBoxes(this.deps.db)) await this.open(box)
  }

  /** Starts the queue of a box. */
  async open(box: BoxRow): Promise<void> {
    const plays = await listOpenPlays(this.deps.db, box.id)
    const recorded = plays.map((play) => ({
      ticket: { playId: play.id, enqueuedAtMs: play.enqueuedAt.getTime(), lengthMs: play.lengthMs },
      state: play.state as 'waiting' | 'preparing' | 'playing',
      startedAtMs: play.startedAt?.getTime() ?? null,
      shownCount: play.shownCount,
    }))
    const state = recoverQueue(recorded, box.absentSince?.getTime() ?? null, box.isHeld, this.deps.now())
    const { db, logger, now, rooms } = this.deps
    const runtime = new BoxRuntime(box.id, state, {
      db,
      logger,
      now,
      policy: defaultPolicy,
      send: (boxId, sourceIds, message) => rooms.send(boxId, sourceIds, message),
      showPlay: (playId) => this.showPlay(playId),
      onChange: () => this.deps.onChange(box.channelId),
      onStarted: (_boxId, waitedMs) => this.deps.onStarted(waitedMs),
    })
    this.runtimes.set(box.id, { runtime, channelId: box.channelId })
  }

  /** @throws Error for a box that was never opened. */
  of(boxId: string): BoxRuntime {
    const found = this.runtimes.get(boxId)
    if (!found) throw new Error(`BoxQueues: box ${boxId} is not open`)
    return found.runtime
  }

  channelOf(boxId: string): string | null {
    return this.runtimes.get(boxId)?.channelId ?? null
  }

  /** Puts plays into their queues; they must be durable already. */
  enqueue(plays: readonly EarnedPlay[]): void {
    for (const play of plays) {
      this.remember(play.show)
      this.of(play.boxId).input({ type: 'enqueued', ticket: play.ticket })
    }
  }

  async desk(boxId: string, locale: string): Promise<DeskView> {
    const { state } = this.of(boxId)
    const waitingIds = state.waiting.slice(0, waitingListed).map((ticket) => ticket.playId)
    const currentId = state.current?.ticket.playId ?? null
    const open = await listPlays(this.deps.db, currentId ? [currentId, ...waitingIds] : waitingIds)
    const views = new Map(open.map((play) => [play.id, playView(play, locale)]))
    const current = currentId ? (views.get(currentId) ?? null) : null
    if (current && state.current) {
      current.state = state.current.phase === 'preparing' ? 'preparing' : 'playing'
      if (state.current.phase === 'playing') current.shownCount = state.current.shownCount
      current.startedAtMs = state.current.phase === 'preparing' ? null : state.current.startedAtMs
    }
    return {
      boxId,
      isHeld: state.isHeld,
      waiting: waitingIds.flatMap((id) => views.get(id) ?? []),
      waitingCount: state.waiting.length,
      current,
      log: (await listEndedPlays(this.deps.db, boxId, logListed)).map((play) => playView(play, locale)),
      sources: this.deps.rooms.views(boxId),
    }
  }

  async close(): Promise<void> {
    await Promise.all([...this.runtimes.values()].map(({ runtime }) => runtime.close()))
  }

  private remember(show: PlayToShow): void {
    this.shows.set(show.playId, show)
    for (const oldest of this.shows.keys()) {
      if (this.shows.size <= showsKept) break
      this.shows.delete(oldest)
    }
  }

  /** What sources need to show a play. @throws when the version it was decided with is gone. */
  async showPlay(playId: string): Promise<PlayToShow> {
    const kept = this.shows.get(playId)
    if (kept) return kept
    const play = await findPlay(this.deps.db, playId)
    const version = play ? await findVersion(this.deps.db, play.versionId) : null
    const variation = version?.document.alerts.find((alert) => alert.id === play?.alertId)?.variations.find((each) => each.id === play?.variationId)
    if (!play || !version || !variation) throw new Error(`The version that play ${playId} was decided with is gone`)
    const score = scoreFor(play.event, version.document, variation, await this.deps.onAir.read(play.event.channelId))
    if (!score.ok) throw new Error(`The score of play ${playId} does not resolve: ${score.error.type}`)
    const show = showOf(play, score.value)
    this.remember(show)
    return show
  }
}
