import { fadedAt, rowsStateAt, type RowsState } from '../../../board/rowsState.ts'
import type { BoardMoment } from '../../../board/slice.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import type { ResolvedChat } from './resolveChat.ts'

export interface ChatState extends RowsState {
  kind: 'chat'
}

/** Lines come quickly: those before them have moved on by the time that the next one is there. */
const chatChangeMs = 220

export function evaluateChat(part: ResolvedChat, moment: BoardMoment, tMs: number, canvas: Canvas): ChatState {
  const options = { edge: part.newest, gapPx: part.gapPx, changeMs: chatChangeMs }
  const state = rowsStateAt(part, options, moment, tMs, canvas)
  const { fadesAfterS } = part
  if (fadesAfterS !== null) {
    let most = 0
    for (const placed of state.rows) {
      placed.opacity *= fadedAt(placed.row.atMs, fadesAfterS * 1000, moment.wallZeroMs + tMs)
      most = Math.max(most, placed.opacity)
    }
    state.plateOpacity = Math.min(state.plateOpacity, most)
  }
  return { kind: 'chat', ...state }
}
