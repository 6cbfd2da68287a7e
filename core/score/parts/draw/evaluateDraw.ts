import type { Canvas } from '../../../composition/canvas.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedDraw } from './resolveDraw.ts'
import { liftedRatio } from './strokes.ts'

export interface DrawState extends VisualBase {
  kind: 'draw'
  /** How many packets have passed, with what of one is on its way. */
  passed: number
  /** How far the peel lies from where it begins, in packets; and how far it is under the row: 1 carries it, 0 is drawn back below it. */
  peel: number
  carries: number
  /** How far the drawn packet is lifted to its spot, and how far it is open. Nought to one. */
  lifted: number
  opened: number
  /** How far the words on the face have run, in pixels. */
  ranPx: number
}

/** The shelf at a moment inside its clip. Cost: linear in the strokes. */
export function evaluateDraw(part: ResolvedDraw, tMs: number, canvas: Canvas): DrawState {
  const state = standingAt(part, part, tMs, canvas) as DrawState
  const { slideFromMs, slidUntilMs, openUntilMs } = part
  const slid = ratioBetween(tMs, slideFromMs, slidUntilMs)
  const opening = ratioBetween(tMs, slidUntilMs, openUntilMs)
  state.kind = 'draw'
  Object.assign(state, peelAt(part, slid))
  state.lifted = easeInOut(Math.min(1, opening / liftedRatio))
  state.opened = easeOut(Math.max(0, (opening - liftedRatio) / (1 - liftedRatio)))
  state.ranPx = (part.facePxPerS * (tMs - part.startMs)) / 1000
  return state
}

function peelAt({ strokes }: ResolvedDraw, slid: number): Pick<DrawState, 'passed' | 'peel' | 'carries'> {
  const stroke = strokes.findLast(({ from }) => slid >= from) ?? strokes[0]
  if (!stroke) return { passed: 0, peel: 0, carries: 0 }
  const { from, pushed, until, before, packets } = stroke
  if (slid < pushed || pushed === until) {
    const moved = packets * easeOut(ratioBetween(slid, from, pushed))
    return { passed: before + moved, peel: moved, carries: 1 }
  }
  const back = easeInOut(ratioBetween(slid, pushed, until))
  // Drawn back it dips below the row, so that it does not take it along.
  return { passed: before + packets, peel: packets * (1 - back), carries: Math.abs(2 * back - 1) }
}

function ratioBetween(at: number, from: number, until: number): number {
  if (at >= until) return 1
  return at <= from ? 0 : (at - from) / (until - from)
}
const easeOut = (ratio: number) => 1 - (1 - ratio) ** 3
const easeInOut = (ratio: number) => (ratio < 0.5 ? 4 * ratio ** 3 : 1 - (2 - 2 * ratio) ** 3 / 2)
