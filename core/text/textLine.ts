import type { TextPiece } from './textPiece.ts'

/** One drawn line of a text. */
export interface TextLine {
  pieces: TextPiece[]
  widthPx: number
}
