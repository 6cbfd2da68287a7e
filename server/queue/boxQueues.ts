import type { Logger } from 'pino'
import { defaultPolicy } from '../../core/queue/policy.ts'
import { recoverQueue } from '../../core/queue/recover.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { DeskView } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { listAllBoxes, type BoxRow } from '../db/queries/boxes.ts'
import { findPlay, listEndedPlays, listOpenPlays, listPlays, mergePlaySpeech } from '../db/queries/plays.ts'
import type { EarnedPlay } from '../ingest/decideEvents.ts'
import type { SourceRooms } from '../realtime/sourceRooms.ts'
import { BoxRuntime } from './boxRuntime.ts'
import { playView } from './playViews.ts'
import type { Shows } from './shows.ts'

export interface QueueDependencies {
  db: Database
  logger: Logger
  now: () => number
  rooms: SourceRooms
  shows: Shows
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

  /** Takes up every box where it was left. */
  async recover(): Promise<void> {
    for (const box of await listAllBoxes(this.deps.db)) await this.open(box)
  }

  /** Starts the queue of a box. */
  async open(box: BoxRow): Promise<void> {
    const plays = await listOpenPlays(this.deps.db, box.id)
    const recorded = plays.map((play) => ({
      ticket: {
        playId: play.id,
        enqueuedAtMs: play.enqueuedAt.getTime(),
        lengthMs: play.lengthMs,
        isAwaiting: play.approval === 'awaiting',
      },
      state: play.state as 'waiting' | 'preparing' | 'playing',
      startedAtMs: play.startedAt?.getTime() ?? null,
      shownCount: play.shownCount,
    }))
    const { state, commands } = recoverQueue(recorded, box.absentSince?.getTime() ?? null, box.isHeld, this.deps.now())
    const { db, logger, now, rooms } = this.deps
    const runtime = new BoxRuntime(box.id, state, {
      db,
      logger,
      now,
      policy: defaultPolicy,
      send: (boxId, sourceIds, message) => rooms.send(boxId, sourceIds, message),
      showPlay: (playId) => this.showPlay(playId),
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

  channelOf(boxId: string): string | null {
    return this.runtimes.get(boxId)?.channelId ?? null
  }

  /** Puts plays into their queues; they must be durable already. */
  enqueue(plays: readonly EarnedPlay[]): void {
    for (const play of plays) {
      if (!play.speaks) this.deps.shows.remember(play.show)
      // A box that was put away in this moment takes it up when it is brought back.
      this.find(play.boxId)?.input({ type: 'enqueued', ticket: play.ticket })
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
}
