import { numberAt } from '../../../board/changing.ts'
import { toldOf } from '../../../board/lastTold.ts'
import type { BoardMoment } from '../../../board/slice.ts'
import { filledLines, type WordsState } from '../../../board/wordsState.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import { standingAt } from '../../standing.ts'
import type { ResolvedTally } from './resolveTally.ts'

export interface TallyState extends WordsState {
  kind: 'tally'
}

export function evaluateTally(part: ResolvedTally, moment: BoardMoment, tMs: number, canvas: Canvas): TallyState {
  const counts = toldOf(moment, part.wantKey, 'count').map(({ atMs, slice }) => ({ atMs, value: slice.count }))
  const count = Math.round(numberAt(counts, part.countsMs, tMs))
  return {
    kind: 'tally',
    ...standingAt(part, part, tMs, canvas),
    lines: filledLines(part.says, { count }, moment.locale),
  }
}
