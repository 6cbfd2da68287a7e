import { isSetAside } from '../../core/queue/advance.ts'
import { forecast } from '../../core/queue/forecast.ts'
import type { QueuePolicy } from '../../core/queue/policy.ts'
import type { QueueState } from '../../core/queue/state.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import type { ClearedView, ForecastView } from '../../contract/views.ts'

/** Of those that wait, so many are listed. */
export const waitingListed = 60

/** A play in the line, as far as the line alone knows it. */
interface LinePlay {
  playId: string
  lengthMs: number
  /** With how many it is shown, itself among them; 1: alone. */
  together: number
  isShort: boolean
}

/** How the line of a box stands, in as many words as screens need. Times are the wall's. */
export interface LaneView {
  boxId: string
  isHeld: boolean
  /** The first that wait, and how long each of them will play. */
  waiting: LinePlay[]
  /** When each of those is likely to begin, and why not yet. */
  forecast: ForecastView[]
  waitingCount: number
  /** What somebody took out all at once, and until when it can be put back; null: nothing. */
  cleared: ClearedView | null
  current:
    | (LinePlay & {
        isPlaying: boolean
        startedAtMs: number | null
        shownCount: number
      })
    | null
  sourceCount: number
  /** Sources that nobody waits for. */
  setAside: string[]
}

/** What of a line is looked at. */
export interface LaneToView {
  state: QueueState
  policy: QueuePolicy
  /** By the steady clock. */
  nowMs: number
  /** What the wall clock would show at a steady moment. */
  wallOf: (steadyMs: number) => number
}

export function laneViewOf(boxId: string, { state, policy, nowMs, wallOf }: LaneToView): LaneView {
  const { current, line, cleared, sources, isHeld } = state
  const sourceIds = Object.keys(sources)
  const likely = forecast(state, nowMs, policy, waitingListed)
  return {
    boxId,
    isHeld,
    waiting: likely.map(({ waiting }) => linePlay(waiting.ticket)),
    forecast: likely.map(({ waiting, startsAtMs, why }) => ({
      playId: waiting.ticket.playId,
      startsAtMs: startsAtMs === null ? null : inSeconds(wallOf(startsAtMs)),
      why: 'untilMs' in why ? { ...why, untilMs: inSeconds(wallOf(why.untilMs)) } : why,
    })),
    waitingCount: line.size,
    cleared: cleared && {
      count: cleared.line.size,
      untilMs: inSeconds(wallOf(cleared.untilMs)),
      reason: cleared.reason,
    },
    current: current && {
      ...linePlay(current.ticket),
      isPlaying: current.phase !== 'preparing',
      startedAtMs: current.phase === 'preparing' ? null : wallOf(current.startedAtMs),
      shownCount: current.phase === 'playing' ? current.shownCount : 0,
    },
    sourceCount: sourceIds.length,
    setAside: sourceIds.filter((id) => isSetAside(state, id)),
  }
}

const linePlay = ({ playId, lengthMs, together, isShort = false }: Ticket): LinePlay => ({
  playId,
  lengthMs,
  together: together?.count ?? 1,
  isShort,
})

/** Nobody reads more of it, and what is told changes less often. */
const inSeconds = (ms: number) => Math.round(ms / 1000) * 1000
