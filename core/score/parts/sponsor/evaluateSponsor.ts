import { fadedAt, rowsStateAt, type RowsState } from '../../../board/rowsState.ts'
import type { BoardMoment } from '../../../board/slice.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import type { ResolvedSponsor } from './resolveSponsor.ts'

export interface SponsorState extends RowsState {
  kind: 'sponsor'
}

const changeMs = 600

/** One line at a time: what came last, for as long as it stands. */
export function evaluateSponsor(part: ResolvedSponsor, moment: BoardMoment, tMs: number, canvas: Canvas): SponsorState {
  const state = rowsStateAt(part, { edge: 'top', gapPx: 0, changeMs }, moment, tMs, canvas)
  const newest = state.rows.reduce((latest, { row }) => Math.max(latest, row.atMs ?? 0), 0)
  let most = 0
  for (const placed of state.rows) {
    // The one before makes room at once: two sponsors never stand together.
    const isNewest = placed.row.atMs === newest
    placed.opacity *= isNewest ? fadedAt(placed.row.atMs, part.standsS * 1000, moment.wallZeroMs + tMs) : 0
    most = Math.max(most, placed.opacity)
  }
  state.plateOpacity = Math.min(state.plateOpacity, most)
  return { kind: 'sponsor', ...state }
}
