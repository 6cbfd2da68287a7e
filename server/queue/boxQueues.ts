import type { Logger } from 'pino'
import { defaultPolicy } from '../../core/queue/policy.ts'
import { recoverQueue } from '../../core/queue/recover.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { DeskView, SourceView } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { listAllBoxes, type BoxRow } from '../db/queries/boxes.ts'
import {
  findPlay,
  listEndedPlays,
  listOpenPlays,
  listPlays,
  mergePlaySpeech,
  type PlayRow,
} from '../db/queries/plays.ts'
import type { EarnedPlay } from '../ingest/decideEvents.ts'
import { isSetAside } from '../../core/queue/advance.ts'
import type { Ticket } from '../../core/queue/state.ts'
import type { SourceRooms } from '../realtime/sourceRooms.ts'
import type { Clock } from '../system/clock.ts'
import { BoxRuntime } from './boxRuntime.ts'
import { playView } from './playViews.ts'
import type { Shows } from './shows.ts'

export interface QueueDependencies {
  db: Database
  logger: Logger
  clock: Clock
  rooms: SourceRooms
  shows: Shows
  /** Told of failures of the database; whether it is one that passes by itself. */
  noteTrouble: (error: unknown) => boolean
  onChange: (channelId: string) => void
  onStarted: (waitedMs: number) => void
}

/** How many waiting plays and how many ended ones the desk lists. */
const waitingListed = 60
const logListed = 60

/** Who said that something is not read, or why nobody did. */
type Said = { by: string } | { reason: string }

function verdictOf(said: Said, isHeard: boolean): string {
  if ('reason' in said) return `Not read: ${said.reason}.`
  return isHeard ? `Silenced by ${said.by}.` : `Not read: ${said.by} said so.`
}

/** The queues of all boxes of this server. */
export class BoxQueues {
  private readonly runtimes = new Map<string, { runtime: BoxRuntime; channelId: string }>()

  constructor(private readonly deps: QueueDependencies) {}

  /**
   * Takes up every box where it was left.
   * @param aliveAt when the server was last known to run; null: never
   */
  async recover(aliveAt: Date | null): Promise<void> {
    for (const box of await listAllBoxes(this.deps.db)) await this.open(box, aliveAt)
  }

  /** Starts the queue of a box. */
  async open(box: BoxRow, aliveAt: Date | null = null): Promise<void> {
    const { db, logger, clock, rooms, noteTrouble } = this.deps
    const steady = (at: Date | null) => at && clock.steadyOf(at.getTime())
    const recorded = (await listOpenPlays(db, box.id)).map((play) => ({
      ticket: this.ticketOf(play),
      state: play.state as 'waiting' | 'preparing' | 'playing',
      startedAtMs: steady(play.startedAt),
      shownCount: play.shownCount,
    }))
    const nowMs = clock.steadyMs()
    const { state, commands } = recoverQueue(
      recorded,
      steady(box.absentSince),
      box.isHeld,
      nowMs,
      steady(aliveAt) ?? nowMs,
    )
    const runtime = new BoxRuntime(box.id, state, {
      db,
      logger,
      clock,
      policy: defaultPolicy,
      send: (boxId, sourceIds, message) => rooms.send(boxId, sourceIds, message),
      showPlay: (playId) => this.showPlay(playId),
      noteTrouble,
      onWithheld: (playId, reason) =>
        void this.setVoice(box.id, playId, false, { reason }).catch((error: unknown) =>
          logger.error({ playId, err: error }, 'a play could not be let go on without its voice'),
        ),
      onChange: () => this.deps.onChange(box.channelId),
      onStarted: (_boxId, waitedMs) => this.deps.onStarted(waitedMs),
    })
    this.runtimes.set(box.id, { runtime, channelId: box.channelId })
    runtime.carryOut(commands)
  }

  /** A kept play as the queue knows it, by the steady clock. */
  private ticketOf({ id, enqueuedAt, lengthMs, approval }: PlayRow): Ticket {
    return {
      playId: id,
      enqueuedAtMs: this.deps.clock.steadyOf(enqueuedAt.getTime()),
      lengthMs,
      isAwaiting: approval === 'awaiting',
    }
  }

  /**
   * Takes up what is open in the database and in no line: what was written while nobody could say so. For when the
   * database is back. @throws where it is not
   */
  async takeUp(): Promise<number> {
    let count = 0
    for (const [boxId, { runtime }] of this.runtimes) {
      for (const play of await listOpenPlays(this.deps.db, boxId)) {
        if (runtime.knows(play.id)) continue
        runtime.input({ type: 'enqueued', ticket: this.ticketOf(play) })
        this.speakAhead(boxId, play.id)
        count += 1
      }
    }
    return count
  }

  /** Puts a play that is kept into the line of its box. */
  add(boxId: string, ticket: Ticket): void {
    const enqueuedAtMs = this.deps.clock.steadyOf(ticket.enqueuedAtMs)
    // A box that was put away in this moment takes it up when it is brought back.
    this.find(boxId)?.input({ type: 'enqueued', ticket: { ...ticket, enqueuedAtMs } })
  }

  /** The queue of a box; undefined for one that is put away. */
  find(boxId: string): BoxRuntime | undefined {
    return this.runtimes.get(boxId)?.runtime
  }

  /** @throws Error for a box that was never opened, or is put away. */
  of(boxId: string): BoxRuntime {
    const found = this.runtimes.get(boxId)
    if (!found) throw new Error(`BoxQueues: box ${boxId} is not open`)
    return found.runtime
  }

  /** Ends the queue of a box that is put away: what plays stops, what waits is let go, and the log says why. */
  async putAway(boxId: string): Promise<void> {
    const runtime = this.runtimes.get(boxId)?.runtime
    if (!runtime) return
    const { current, waiting } = runtime.state
    const reason = 'its box was put away'
    for (const { playId } of [...waiting, ...(current ? [current.ticket] : [])])
      runtime.input({ type: 'removed', playId, outcome: 'skipped', reason })
    this.runtimes.delete(boxId)
    await runtime.close()
  }

  /** The channels of which somebody shows something just now. */
  channelsWithSources(): Set<string> {
    const channels = new Set<string>()
    for (const [boxId, { channelId }] of this.runtimes) if (this.deps.rooms.countIn(boxId) > 0) channels.add(channelId)
    return channels
  }

  channelOf(boxId: string): string | null {
    return this.runtimes.get(boxId)?.channelId ?? null
  }

  /** Puts plays into their queues; they must be durable already. */
  enqueue(plays: readonly EarnedPlay[]): void {
    for (const play of plays) {
      if (!play.speaks) this.deps.shows.remember(play.show)
      this.add(play.boxId, play.ticket)
      if (play.speaks) this.speakAhead(play.boxId, play.ticket.playId)
    }
  }

  /** What sources need to show a play. @throws when the version it was decided with is gone. */
  showPlay(playId: string): Promise<PlayToShow> {
    return this.deps.shows.show(playId)
  }

  /** Has the voices of a waiting play speak while it waits, so that it is known how long it lasts. */
  speakAhead(boxId: string, playId: string): void {
    this.deps.shows.prepareAhead(playId, (lengthMs) => this.find(boxId)?.input({ type: 'measured', playId, lengthMs }))
  }

  /**
   * Lets what a viewer wrote be read, or not. Where it is being read, the voice goes silent; everything else goes on.
   * @param said who said so, or why nobody did
   * @returns whether that was done, there is no such play in the box, or it is over
   */
  async setVoice(boxId: string, playId: string, isRead: boolean, said: Said): Promise<'done' | 'unknown' | 'over'> {
    const runtime = this.runtimes.get(boxId)?.runtime
    if (!runtime) return 'unknown'
    const isCurrent = () => runtime.state.current?.ticket.playId === playId
    const wasCurrent = isCurrent()
    const isWaiting = runtime.state.waiting.some((ticket) => ticket.playId === playId)
    const silence = () => {
      this.deps.shows.silence(playId)
      this.deps.rooms.send(boxId, Object.keys(runtime.state.sources), { type: 'silence', playId })
    }
    // Before anything is read or written: it is being heard.
    if (!isRead && wasCurrent) silence()
    const play = await findPlay(this.deps.db, playId)
    if (play?.boxId !== boxId) return 'unknown'
    // What is over was heard, or was not: nothing that is said now changes that.
    if (!wasCurrent && !isWaiting) return 'over'
    const verdict = isRead ? null : verdictOf(said, wasCurrent)
    await mergePlaySpeech(this.deps.db, playId, { verdict }, { approval: isRead ? 'given' : 'withheld' })
    if (!wasCurrent) this.deps.shows.forget(playId)
    // Its turn came while that was written.
    if (!isRead && !wasCurrent && isCurrent()) silence()
    else if (!wasCurrent) this.speakAhead(boxId, playId)
    runtime.input({ type: 'released', playId })
    return 'done'
  }

  /** Voices of a channel were switched off or on: what is being read goes silent, and what waits is settled anew. */
  async switchVoices(channelId: string, isOn: boolean, by: string): Promise<void> {
    for (const [boxId, { runtime, channelId: own }] of this.runtimes) {
      if (own !== channelId) continue
      const current = runtime.state.current?.ticket.playId
      if (current !== undefined && !isOn) await this.setVoice(boxId, current, false, { by })
      for (const { playId } of runtime.state.waiting) this.deps.shows.forget(playId)
      for (const { playId } of runtime.state.waiting.slice(0, waitingListed)) this.speakAhead(boxId, playId)
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
      current.startedAtMs =
        state.current.phase === 'preparing' ? null : this.deps.clock.wallOf(state.current.startedAtMs)
    }
    return {
      boxId,
      isHeld: state.isHeld,
      waiting: waitingIds.flatMap((id) => views.get(id) ?? []),
      waitingCount: state.waiting.length,
      current,
      log: (await listEndedPlays(this.deps.db, boxId, logListed)).map((play) => playView(play, locale)),
      sources: this.sources(boxId),
    }
  }

  /** The sources of a box, with which of them nobody waits for. */
  private sources(boxId: string): SourceView[] {
    const { state } = this.of(boxId)
    return this.deps.rooms.views(boxId).map((view) => ({ ...view, isSetAside: isSetAside(state, view.id) }))
  }

  async close(): Promise<void> {
    await Promise.all([...this.runtimes.values()].map(({ runtime }) => runtime.close()))
  }
}
