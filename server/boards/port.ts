import { definePort } from '../system/port.ts'
import type { BoardKeeper } from './boardKeeper.ts'
import type { SliceReader } from './sliceReader.ts'

/** What handlers need of boards. */
export interface BoardsPort {
  boards: BoardKeeper
  sliceReader: SliceReader
}

export const { provide: provideBoards, use: useBoards } = definePort<BoardsPort>('Boards')
