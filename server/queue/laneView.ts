import { isSetAside } from '../../core/queue/advance.ts'
import type { QueueState } from '../../core/queue/state.ts'

/** Of those that wait, so many are listed. */
export const waitingListed = 60

/** How the line of a box stands, in as many words as screens need. Times are the wall's. */
export interface LaneView {
  boxId: string
  isHeld: boolean
  /** The first that wait, and how long each of them will play. */
  waiting: { playId: string; lengthMs: number }[]
  waitingCount: number
  current: {
    playId: string
    lengthMs: number
    isPlaying: boolean
    startedAtMs: number | null
    shownCount: number
  } | null
  sourceCount: number
  /** Sources that nobody waits for. */
  setAside: string[]
}

/** @param wallOf what the wall clock would show at a steady moment */
export function laneViewOf(boxId: string, state: QueueState, wallOf: (steadyMs: number) => number): LaneView {
  const { current, waiting, sources, isHeld } = state
  const sourceIds = Object.keys(sources)
  return {
    boxId,
    isHeld,
    waiting: waiting.slice(0, waitingListed).map(({ playId, lengthMs }) => ({ playId, lengthMs })),
    waitingCount: waiting.length,
    current: current && {
      playId: current.ticket.playId,
      lengthMs: current.ticket.lengthMs,
      isPlaying: current.phase !== 'preparing',
      startedAtMs: current.phase === 'preparing' ? null : wallOf(current.startedAtMs),
      shownCount: current.phase === 'playing' ? current.shownCount : 0,
    },
    sourceCount: sourceIds.length,
    setAside: sourceIds.filter((id) => isSetAside(state, id)),
  }
}
