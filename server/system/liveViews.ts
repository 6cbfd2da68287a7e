import type { ChannelLive } from '../../contract/channelLive.ts'
import { ridgeView } from '../boxes/boxViews.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { Database } from '../db/handle.ts'
import type { DatabaseTrouble } from '../db/trouble.ts'
import type { MediaLibrary } from '../media/library.ts'
import type { Neighbours } from '../lanes/neighbours.ts'
import { deskView } from '../queue/deskView.ts'
import type { Clock } from './clock.ts'
import { dropOldest } from './dropOldest.ts'

interface LiveViewsDependencies {
  db: Database
  clock: Clock
  onAir: OnAirCache
  neighbours: Pick<Neighbours, 'line' | 'sourcesOf'>
  library: MediaLibrary
  trouble: Pick<DatabaseTrouble, 'note' | 'why'>
}

/** Of so many channels it is remembered what was shown last. */
const remembered = 200

/** What the screens of a channel show of what happens now. */
export class LiveViews {
  private readonly last = new Map<string, ChannelLive>()

  constructor(private readonly deps: LiveViewsDependencies) {}

  /**
   * Reads it. While the database does not answer, it is what was known before, with what the lines themselves know, and
   * it says so. @throws where the database does not answer and nothing was known before
   */
  async read(channelId: string): Promise<ChannelLive> {
    try {
      const live = await this.fresh(channelId)
      this.last.delete(channelId)
      this.last.set(channelId, live)
      dropOldest(this.last, remembered)
      return live
    } catch (error) {
      const known = this.last.get(channelId)
      if (!this.deps.trouble.note(error) || !known) throw error
      return this.meanwhile(known)
    }
  }

  private async fresh(channelId: string): Promise<ChannelLive> {
    const { db, clock, onAir, neighbours, library, trouble } = this.deps
    const { boxes, locale, speech } = await onAir.read(channelId)
    const desks = []
    for (const { boxId } of boxes)
      desks.push(await deskView(db, boxId, neighbours.line(boxId), neighbours.sourcesOf(boxId), locale))
    return {
      serverNowMs: clock.wallMs(),
      ridge: await ridgeView(db, channelId, desks),
      desks,
      libraryRevision: library.revision(channelId),
      databaseTrouble: trouble.why,
      voicesAreOn: speech.isOn,
    }
  }

  private meanwhile(known: ChannelLive): ChannelLive {
    const { clock, neighbours, trouble } = this.deps
    const desks = known.desks.map((desk) => {
      const line = neighbours.line(desk.boxId)
      if (!line) return desk
      const shown = [...desk.waiting, ...(desk.current ? [desk.current] : [])]
      return {
        ...desk,
        isHeld: line.isHeld,
        waiting: desk.waiting.filter(({ id }) => line.waiting.includes(id)),
        waitingCount: line.waitingCount,
        current: shown.find(({ id }) => id === line.current?.playId) ?? null,
      }
    })
    const waiting = desks.reduce((sum, { waitingCount }) => sum + waitingCount, 0)
    return {
      ...known,
      serverNowMs: clock.wallMs(),
      desks,
      ridge: { ...known.ridge, desk: { ...known.ridge.desk, waiting } },
      databaseTrouble: trouble.why ?? 'gone',
    }
  }
}
