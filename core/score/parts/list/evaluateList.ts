import { progressOf } from '../../../board/changing.ts'
import { lastTold, toldOf } from '../../../board/lastTold.ts'
import { rowsStateAt, type RowsState } from '../../../board/rowsState.ts'
import type { BoardMoment, Row } from '../../../board/slice.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import { standingAt } from '../../standing.ts'
import type { ResolvedList } from './resolveList.ts'

export interface ListState extends RowsState {
  kind: 'list'
  /** How opaque each row is by its age, the newest first; null: all are the same. */
  paleness: ReadonlyMap<string, number> | null
  /** The time that ages are told by, in epoch milliseconds; null: they are not. */
  nowMs: number | null
  /** For rows that run past: what runs now and what ran before, how visible each is, and how far they have run. */
  belts: { rows: readonly Row[]; opacity: number }[]
  ranPx: number
}

const listChangeMs = 500
/** The oldest of a list that pales is still so opaque: words have to be readable. */
const palest = 0.45

export function evaluateList(part: ResolvedList, moment: BoardMoment, tMs: number, canvas: Canvas): ListState {
  const nowMs = part.hasAges ? moment.wallZeroMs + tMs : null
  if (part.form === 'running') return { ...running(part, moment, tMs, canvas), nowMs }
  const options = { edge: part.newest, gapPx: part.gapPx, changeMs: listChangeMs }
  const rows = lastTold(toldOf(moment, part.wantKey, 'rows'), tMs)?.rows ?? []
  const step = rows.length < 2 ? 0 : (1 - palest) / (Math.max(part.most, rows.length) - 1)
  return {
    kind: 'list',
    ...rowsStateAt(part, options, moment, tMs, canvas),
    paleness: part.pales ? new Map(rows.map(({ id }, index) => [id, 1 - index * step])) : null,
    nowMs,
    belts: [],
    ranPx: 0,
  }
}

/** A belt of rows runs past; where they change, the belt that ran gives way to the new one. */
function running(part: ResolvedList, moment: BoardMoment, tMs: number, canvas: Canvas): Omit<ListState, 'nowMs'> {
  const told = toldOf(moment, part.wantKey, 'rows').filter(({ atMs }, index) => index === 0 || atMs <= tMs)
  const [before, last] = [told.at(-2), told.at(-1)]
  const progress = before && last ? progressOf(last.atMs, listChangeMs, tMs) : 1
  return {
    kind: 'list',
    ...standingAt(part, part, tMs, canvas),
    rows: [],
    plateOpacity: told.some(({ slice }) => slice.rows.length > 0) ? 1 : 0,
    paleness: null,
    belts: [
      ...(before && progress < 1 ? [{ rows: before.slice.rows, opacity: 1 - progress }] : []),
      ...(last ? [{ rows: last.slice.rows, opacity: progress }] : []),
    ],
    ranPx: (part.pxPerS * (tMs - part.startMs)) / 1000,
  }
}
