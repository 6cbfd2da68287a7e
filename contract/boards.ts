import * as z from 'zod'
import { want } from '../core/board/want.ts'
import type { NumberedSlice } from './boardMessages.ts'
import { newBoxBody } from './bodies.ts'

/** A new board: in the look of a pack that brings one, or plain (null). */
export const newBoardBody = newBoxBody.extend({ shelfId: z.string().max(120).nullable() })

/** What the parts of a draft want to be told. */
export const slicesBody = z.object({ wants: z.array(want).max(60) })

export interface SlicesView {
  slices: Pick<NumberedSlice, 'key' | 'slice'>[]
  /** The server’s wall clock. */
  nowMs: number
}
