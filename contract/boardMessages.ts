import * as z from 'zod'
import type { Row, Slice } from '../core/board/slice.ts'
import type { ResolvedScore } from '../core/score/resolved.ts'
import { fromSource } from './sourceMessages.ts'

/** What a page that shows a board sends over its socket, beside what every source sends. */
export const fromBoard = z.discriminatedUnion('type', [
  ...fromSource.options,
  /** It missed something: it asks for all of what it was told under this name. */
  z.object({ type: z.literal('again'), key: z.string().max(2000) }),
  /** It has shown the whole of something that came and went: a sponsor's line, by its row. */
  z.object({ type: z.literal('showed'), id: z.string().max(80) }),
])
export type FromBoard = z.infer<typeof fromBoard>

/** What stands under a name, and which change it is the state after. */
export interface NumberedSlice {
  key: string
  seq: number
  slice: Slice
}

/** What the server sends to such a page. */
export type ToBoard =
  /** All of it: when the page comes, and when another version is put on air. */
  | {
      type: 'board'
      score: ResolvedScore
      slices: NumberedSlice[]
      /** The server’s wall clock. */
      nowMs: number
      locale: string
      timeZone: string
    }
  | ({ type: 'slice' } & NumberedSlice)
  /** Rows that came before those that are there, in their order, and ids of those that were taken away. */
  | { type: 'rows'; key: string; seq: number; added: Row[]; removed: string[]; most: number }
  | { type: 'ping'; sentAtMs: number }
