import type { CallsLive, ChannelLive } from '../../contract/channelLive.ts'
import type { DeskView, PlayView, RidgeView } from '../../contract/views.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { Database } from '../db/handle.ts'
import { listDraftStates } from '../db/queries/boxes.ts'
import { readFeedState } from '../db/queries/feeds.ts'
import { listEndedIds, listPlays } from '../db/queries/plays.ts'
import type { DatabaseTrouble } from '../db/trouble.ts'
import type { Neighbours } from '../lanes/neighbours.ts'
import type { MediaLibrary } from '../media/library.ts'
import type { LaneView } from '../queue/laneView.ts'
import { playView } from '../queue/playViews.ts'
import type { Clock } from '../system/clock.ts'
import { StaleTopics, type LiveTopic } from './topic.ts'

export interface ChannelModelDependencies {
  db: Database
  clock: Pick<Clock, 'steadyMs'>
  onAir: Pick<OnAirCache, 'read'>
  neighbours: Pick<Neighbours, 'line' | 'sourcesOf'>
  library: Pick<MediaLibrary, 'revision'>
  trouble: Pick<DatabaseTrouble, 'note' | 'why'>
  /** What viewers set off, as it stands. */
  calls: (channelId: string) => Promise<Omit<CallsLive, 'revision'>>
}

/** So many ended plays the desk lists. */
const logListed = 60
/** When a feed delivered last is looked up no more often than that. */
const feedsEveryMs = 1_000
/** Lists in which so much is new within a second are rushing by: nobody reads them. They are shorter, and told once a second. */
const rushingNew = 10
const rushingListed = 12
const rushingEveryMs = 1_000

interface Kept {
  boxIds: readonly string[]
  boardIds: readonly string[]
  locale: string
  voicesAreOn: boolean
  feeds: RidgeView['feeds']
  boxes: RidgeView['boxes']
  calls: CallsLive
  goalsRevision: number
  sponsorsRevision: number
  /** What the desk of each box lists. */
  lists: Map<string, DeskLists>
}

interface DeskLists {
  waiting: LaneView['waiting']
  /** The plays that have ended. */
  log: readonly string[]
  readMs: number
  isRushing: boolean
}

/**
 * What the screens of a channel show, kept at hand while somebody looks: only what has changed is read anew. How lines and
 * sources stand is known without the database.
 */
export class ChannelModel {
  private stale = new StaleTopics()
  private kept: Kept | null = null
  private readonly plays = new Map<string, PlayView>()
  private feedsReadMs = -Infinity

  constructor(
    private readonly channelId: string,
    private readonly deps: ChannelModelDependencies,
  ) {
    this.stale.add('all')
  }

  note(topic: LiveTopic): void {
    this.stale.add(topic)
  }

  /** After how long it should be read again although nothing else has changed; null: not at all. */
  get againAfterMs(): number | null {
    const dueMs = this.stale.areFeeds ? [this.feedsReadMs + feedsEveryMs] : []
    for (const boxId of this.stale.boxIds) {
      const lists = this.kept?.lists.get(boxId)
      if (lists) dueMs.push(lists.readMs + (lists.isRushing ? rushingEveryMs : 0))
    }
    return dueMs.length === 0 ? null : Math.max(0, Math.min(...dueMs) - this.deps.clock.steadyMs())
  }

  /**
   * Reads what is stale. While the database does not answer, it is what was known before, with what the lines themselves
   * know, and it says so. @throws where the database does not answer and nothing was known before
   */
  async read(): Promise<ChannelLive> {
    const stale = this.stale
    this.stale = new StaleTopics()
    try {
      const kept = await this.keep(stale)
      return this.live(kept)
    } catch (error) {
      this.stale.join(stale)
      if (!this.deps.trouble.note(error) || !this.kept) throw error
      return { ...this.live(this.kept), databaseTrouble: this.deps.trouble.why ?? 'gone' }
    }
  }

  private async keep(stale: StaleTopics): Promise<Kept> {
    const { onAir } = this.deps
    const { boxes, boards, locale, speech } = await onAir.read(this.channelId)
    const boxIds = boxes.map(({ boxId }) => boxId)
    const before = stale.isAll ? null : this.kept
    const feeds = await this.feeds(stale, before)
    const states = before && !stale.areDrafts ? before.boxes : await this.boxStates()
    const calls = before && !stale.areCalls ? before.calls : await this.calls(before)
    const goalsRevision = (this.kept?.goalsRevision ?? 0) + (stale.areGoals || stale.isAll ? 1 : 0)
    const sponsorsRevision = (this.kept?.sponsorsRevision ?? 0) + (stale.areSponsors || stale.isAll ? 1 : 0)
    const lists = new Map<string, DeskLists>()
    for (const boxId of boxIds) {
      const known = before?.lists.get(boxId)
      lists.set(boxId, known && !stale.boxIds.has(boxId) ? known : await this.lists(boxId, known))
    }
    const boardIds = boards.map(({ boxId }) => boxId)
    const kept = {
      boxIds,
      boardIds,
      locale,
      voicesAreOn: speech.isOn,
      feeds,
      boxes: states,
      calls,
      goalsRevision,
      sponsorsRevision,
      lists,
    }
    await this.readPlays(kept, stale)
    this.kept = kept
    return kept
  }

  private async calls(before: Kept | null): Promise<CallsLive> {
    return { ...(await this.deps.calls(this.channelId)), revision: (before?.calls.revision ?? 0) + 1 }
  }

  private async feeds(stale: StaleTopics, before: Kept | null): Promise<RidgeView['feeds']> {
    const nowMs = this.deps.clock.steadyMs()
    if (before && !stale.areFeeds) return before.feeds
    if (before && nowMs < this.feedsReadMs + feedsEveryMs) {
      this.stale.add('feeds')
      return before.feeds
    }
    const state = await readFeedState(this.deps.db, this.channelId)
    this.feedsReadMs = nowMs
    return state
  }

  private async lists(boxId: string, before: DeskLists | undefined): Promise<DeskLists> {
    const { db, clock, neighbours } = this.deps
    const readMs = clock.steadyMs()
    if (before?.isRushing && readMs < before.readMs + rushingEveryMs) {
      this.stale.add(`line ${boxId}`)
      return before
    }
    const listed = await listEndedIds(db, boxId, before?.isRushing ? rushingListed : logListed)
    const known = new Set(before?.log)
    const isRushing =
      before !== undefined &&
      readMs < before.readMs + 2 * rushingEveryMs &&
      listed.slice(0, rushingListed).filter((id) => !known.has(id)).length >= rushingNew
    const waiting = neighbours.line(boxId)?.waiting ?? []
    if (isRushing)
      return { waiting: waiting.slice(0, rushingListed), log: listed.slice(0, rushingListed), readMs, isRushing }
    // What was short is filled up where it comes to rest.
    const log = before?.isRushing ? await listEndedIds(db, boxId, logListed) : listed
    return { waiting, log, readMs, isRushing }
  }

  private async boxStates(): Promise<RidgeView['boxes']> {
    const drafts = await listDraftStates(this.deps.db, this.channelId)
    return {
      count: drafts.length,
      differing: drafts.filter((draft) => draft.isOnAir && draft.isDifferent).length,
      neverOnAir: drafts.filter((draft) => !draft.isOnAir).length,
    }
  }

  /** Reads the plays that are listed and not known, or not known as they are by now; forgets those that no list has. */
  private async readPlays({ boxIds, lists, locale }: Kept, stale: StaleTopics): Promise<void> {
    const ended = new Set([...lists.values()].flatMap(({ log }) => log))
    const listed = new Set(ended)
    for (const { waiting } of lists.values()) for (const { playId } of waiting) listed.add(playId)
    for (const boxId of boxIds) {
      const current = this.deps.neighbours.line(boxId)?.current
      if (current) listed.add(current.playId)
    }
    const unknown = [...listed].filter((id) => {
      const known = this.plays.get(id)
      return !known || stale.isAll || stale.playIds.has(id) || (ended.has(id) && known.endedAtMs === null)
    })
    for (const play of await listPlays(this.deps.db, unknown)) this.plays.set(play.id, playView(play, locale))
    for (const id of [...this.plays.keys()]) if (!listed.has(id)) this.plays.delete(id)
  }

  private live(kept: Kept): ChannelLive {
    const { library, trouble } = this.deps
    const desks = kept.boxIds.map((boxId) => this.desk(boxId, kept))
    return {
      ridge: { feeds: kept.feeds, boxes: kept.boxes, triggers: triggersState(kept.calls), desk: deskState(desks) },
      calls: kept.calls,
      goalsRevision: kept.goalsRevision,
      sponsorsRevision: kept.sponsorsRevision,
      desks,
      boards: kept.boardIds.map((boardId) => ({
        boardId,
        sources: this.deps.neighbours.sourcesOf(boardId).map((view) => ({ ...view, isSetAside: false })),
      })),
      libraryRevision: library.revision(this.channelId),
      databaseTrouble: trouble.why,
      voicesAreOn: kept.voicesAreOn,
    }
  }

  private desk(boxId: string, { lists }: Kept): DeskView {
    const { neighbours } = this.deps
    const line = neighbours.line(boxId)
    const { current = null, waitingCount = 0, isHeld = false, setAside = [], cleared = null } = line ?? {}
    const listed = lists.get(boxId)
    const waiting = (listed?.isRushing ? listed.waiting : line?.waiting) ?? []
    const shown = current && this.plays.get(current.playId)
    return {
      boxId,
      isHeld,
      waiting: waiting.flatMap(({ playId, lengthMs, together }) => {
        const play = this.plays.get(playId)
        return play && playId !== current?.playId ? { ...play, state: 'waiting' as const, lengthMs, together } : []
      }),
      forecast: listed?.isRushing ? (line?.forecast ?? []).slice(0, rushingListed) : (line?.forecast ?? []),
      waitingCount,
      cleared,
      current:
        current && shown
          ? {
              ...shown,
              state: current.isPlaying ? 'playing' : 'preparing',
              lengthMs: current.lengthMs,
              together: current.together,
              startedAtMs: current.startedAtMs,
              shownCount: Math.max(shown.shownCount, current.shownCount),
            }
          : null,
      log: (listed?.log ?? []).flatMap((id) => this.plays.get(id) ?? []),
      sources: neighbours.sourcesOf(boxId).map((view) => ({ ...view, isSetAside: setAside.includes(view.id) })),
    }
  }
}

const triggersState = ({ armed, runs, tasks }: CallsLive): RidgeView['triggers'] => ({
  armed,
  running: runs.filter(({ progress }) => progress === 'running').length,
  waiting: tasks.length,
})

/** What stands under the desk's name on the ridge line. */
const deskState = (desks: readonly DeskView[]): RidgeView['desk'] => ({
  sources: desks.reduce((sum, { sources }) => sum + sources.length, 0),
  waiting: desks.reduce((sum, { waitingCount }) => sum + waitingCount, 0),
  isPlaying: desks.some(({ current }) => current !== null),
  isHeld: desks.some(({ isHeld }) => isHeld),
})
