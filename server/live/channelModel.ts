import type { ChannelLive } from '../../contract/channelLive.ts'
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
}

/** So many ended plays the desk lists. */
const logListed = 60
/** When a feed delivered last is looked up no more often than that. */
const feedsEveryMs = 1_000

type BoxStates = Omit<RidgeView['boxes'], 'count'> & { count: number }

interface Kept {
  boxIds: readonly string[]
  locale: string
  voicesAreOn: boolean
  feeds: RidgeView['feeds']
  boxes: BoxStates
  /** The ended plays that each desk lists. */
  logs: Map<string, readonly string[]>
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
    if (!this.stale.areFeeds) return null
    return Math.max(0, this.feedsReadMs + feedsEveryMs - this.deps.clock.steadyMs())
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
    const { db, onAir } = this.deps
    const { boxes, locale, speech } = await onAir.read(this.channelId)
    const boxIds = boxes.map(({ boxId }) => boxId)
    const before = stale.isAll ? null : this.kept
    const feeds = await this.feeds(stale, before)
    const states = before && !stale.areDrafts ? before.boxes : await this.boxStates()
    const logs = new Map<string, readonly string[]>()
    for (const boxId of boxIds) {
      const known = stale.boxIds.has(boxId) ? undefined : before?.logs.get(boxId)
      logs.set(boxId, known ?? (await listEndedIds(db, boxId, logListed)))
    }
    const kept = { boxIds, locale, voicesAreOn: speech.isOn, feeds, boxes: states, logs }
    await this.readPlays(kept, stale)
    this.kept = kept
    return kept
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

  private async boxStates(): Promise<BoxStates> {
    const drafts = await listDraftStates(this.deps.db, this.channelId)
    return {
      count: drafts.length,
      differing: drafts.filter((draft) => draft.isOnAir && draft.isDifferent).length,
      neverOnAir: drafts.filter((draft) => !draft.isOnAir).length,
    }
  }

  /** Reads the plays that are listed and not known, or not known as they are by now; forgets those that no list has. */
  private async readPlays({ boxIds, logs, locale }: Kept, stale: StaleTopics): Promise<void> {
    const ended = new Set([...logs.values()].flat())
    const listed = new Set(ended)
    for (const boxId of boxIds) for (const id of openIds(this.deps.neighbours.line(boxId))) listed.add(id)
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
      ridge: { feeds: kept.feeds, boxes: kept.boxes, desk: deskState(desks) },
      desks,
      libraryRevision: library.revision(this.channelId),
      databaseTrouble: trouble.why,
      voicesAreOn: kept.voicesAreOn,
    }
  }

  private desk(boxId: string, { logs }: Kept): DeskView {
    const { neighbours } = this.deps
    const {
      current = null,
      waiting = [],
      waitingCount = 0,
      isHeld = false,
      setAside = [],
    } = neighbours.line(boxId) ?? {}
    const shown = current && this.plays.get(current.playId)
    return {
      boxId,
      isHeld,
      waiting: waiting.flatMap(({ playId, lengthMs }) => {
        const play = this.plays.get(playId)
        return play ? { ...play, state: 'waiting' as const, lengthMs } : []
      }),
      waitingCount,
      current:
        current && shown
          ? {
              ...shown,
              state: current.isPlaying ? 'playing' : 'preparing',
              lengthMs: current.lengthMs,
              startedAtMs: current.startedAtMs,
              shownCount: Math.max(shown.shownCount, current.shownCount),
            }
          : null,
      log: (logs.get(boxId) ?? []).flatMap((id) => this.plays.get(id) ?? []),
      sources: neighbours.sourcesOf(boxId).map((view) => ({ ...view, isSetAside: setAside.includes(view.id) })),
    }
  }
}

const openIds = (line: LaneView | null): string[] =>
  line ? [...(line.current ? [line.current.playId] : []), ...line.waiting.map(({ playId }) => playId)] : []

/** What stands under the desk's name on the ridge line. */
const deskState = (desks: readonly DeskView[]): RidgeView['desk'] => ({
  sources: desks.reduce((sum, { sources }) => sum + sources.length, 0),
  waiting: desks.reduce((sum, { waitingCount }) => sum + waitingCount, 0),
  isPlaying: desks.some(({ current }) => current !== null),
  isHeld: desks.some(({ isHeld }) => isHeld),
})
