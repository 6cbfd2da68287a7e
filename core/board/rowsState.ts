import type { Canvas } from '../composition/canvas.ts'
import { standingAt } from '../score/standing.ts'
import type { VisualBase } from '../score/visualBase.ts'
import { toldOf } from './lastTold.ts'
import type { ResolvedLiveBase } from './resolvedLive.ts'
import { rowsAt, type PlacedRow } from './rowsAt.ts'
import type { BoardMoment } from './slice.ts'

/** At which edge the newest row stands, or the first of a ranking. */
export type Edge = 'top' | 'bottom'

/** Rows of a part as they are drawn. */
export interface RowsState extends VisualBase {
  rows: (PlacedRow & { topPx: number })[]
  /** How visible what lies under them is: nothing lies on a screen for nothing. */
  plateOpacity: number
}

export interface RowsOptions {
  edge: Edge
  gapPx: number
  changeMs: number
}

/** Room between the plate's sides. */
export const innerHeight = ({ heightPx, padPx }: Pick<ResolvedLiveBase, 'heightPx' | 'padPx'>): number =>
  Math.max(0, heightPx - 2 * padPx)

/** The rows of a part at a moment, measured from the top of its room within the padding. */
export function rowsStateAt(
  part: ResolvedLiveBase,
  { edge, gapPx, changeMs }: RowsOptions,
  moment: BoardMoment,
  tMs: number,
  canvas: Canvas,
): RowsState {
  const heightPx = innerHeight(part)
  const placed = rowsAt(
    toldOf(moment, part.wantKey, 'rows'),
    { heightPx, gapPx, changeMs, heightOf: (row) => moment.heightOf(part.id, row) },
    tMs,
  )
  return {
    ...standingAt(part, part, tMs, canvas),
    plateOpacity: Math.min(
      1,
      placed.reduce((sum, { opacity }) => sum + opacity, 0),
    ),
    rows: placed.map((each) => ({
      ...each,
      topPx: edge === 'top' ? each.fromEdgePx : heightPx - each.fromEdgePx - each.heightPx,
    })),
  }
}

/** How opaque a row still is that fades some time after it came; epoch milliseconds. */
export function fadedAt(atMs: number | null, afterMs: number | null, nowMs: number): number {
  if (atMs === null || afterMs === null) return 1
  const fadeMs = 800
  return Math.min(1, Math.max(0, 1 - (nowMs - atMs - afterMs) / fadeMs))
}
