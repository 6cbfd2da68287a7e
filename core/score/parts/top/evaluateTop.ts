import { lastTold, toldOf } from '../../../board/lastTold.ts'
import { rowsStateAt, type RowsState } from '../../../board/rowsState.ts'
import type { BoardMoment } from '../../../board/slice.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import type { ResolvedTop } from './resolveTop.ts'

export interface TopState extends RowsState {
  kind: 'top'
  /** Which place each row has, from 1; null: places are not told. */
  ranks: ReadonlyMap<string, number> | null
}

const topChangeMs = 700

export function evaluateTop(part: ResolvedTop, moment: BoardMoment, tMs: number, canvas: Canvas): TopState {
  const options = { edge: 'top' as const, gapPx: part.gapPx, changeMs: topChangeMs }
  const rows = lastTold(toldOf(moment, part.wantKey, 'rows'), tMs)?.rows ?? []
  return {
    kind: 'top',
    ...rowsStateAt(part, options, moment, tMs, canvas),
    ranks: part.hasRanks ? new Map(rows.map(({ id }, index) => [id, index + 1])) : null,
  }
}
