import type { DeskView } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { listEndedPlays, listPlays } from '../db/queries/plays.ts'
import type { ConnectedView } from '../realtime/sourceRooms.ts'
import type { LaneView } from './laneView.ts'
import { playView } from './playViews.ts'

/** So many ended plays the desk lists. */
const logListed = 60

/**
 * The desk of a box.
 * @param line how its line stands; null: nobody has said
 * @param sources those that are connected, wherever
 */
export async function deskView(
  db: Database,
  boxId: string,
  line: LaneView | null,
  sources: readonly ConnectedView[],
  locale: string,
): Promise<DeskView> {
  const { current = null, waiting = [], waitingCount = 0, isHeld = false, setAside = [] } = line ?? {}
  const open = await listPlays(db, current ? [current.playId, ...waiting] : waiting)
  const views = new Map(open.map((play) => [play.id, playView(play, locale)]))
  const shown = current ? views.get(current.playId) : undefined
  return {
    boxId,
    isHeld,
    waiting: waiting.flatMap((id) => views.get(id) ?? []),
    waitingCount,
    current:
      current && shown
        ? {
            ...shown,
            state: current.isPlaying ? 'playing' : 'preparing',
            startedAtMs: current.startedAtMs,
            shownCount: Math.max(shown.shownCount, current.shownCount),
          }
        : null,
    log: (await listEndedPlays(db, boxId, logListed)).map((play) => playView(play, locale)),
    sources: sources.map((view) => ({ ...view, isSetAside: setAside.includes(view.id) })),
  }
}
