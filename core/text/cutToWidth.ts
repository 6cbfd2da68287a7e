import { graphemes } from './graphemes.ts'
import type { TextPiece } from './textPiece.ts'

/**
 * How wide the pieces would be drawn, side by side, at a font size. Both in canvas pixels. Must not shrink as text
 * grows.
 */
export type MeasurePieces = (pieces: readonly TextPiece[], sizePx: number) => number

const ELLIPSIS = '…'

/**
 * Cuts the end, between letters, to an ellipsis. At most log2(letters) + 1 measurements. Nothing is left where even the
 * ellipsis is too wide.
 */
export function cutToWidth(
  pieces: readonly TextPiece[],
  sizePx: number,
  maxWidthPx: number,
  measure: MeasurePieces,
): { pieces: TextPiece[]; widthPx: number } {
  const letters = pieces.map((piece) => (piece.emoteUrl ? [piece.text] : graphemes(piece.text)))
  const total = letters.reduce((sum, list) => sum + list.length, 0)
  let kept = 0
  let over = total
  while (over - kept > 1) {
    const middle = (kept + over) >> 1
    if (measure(keep(pieces, letters, middle), sizePx) <= maxWidthPx) kept = middle
    else over = middle
  }
  const cut = keep(pieces, letters, kept)
  const widthPx = measure(cut, sizePx)
  return widthPx > maxWidthPx ? { pieces: [], widthPx: 0 } : { pieces: cut, widthPx }
}

function keep(pieces: readonly TextPiece[], letters: readonly string[][], count: number): TextPiece[] {
  const kept: TextPiece[] = []
  let left = count
  for (const [index, piece] of pieces.entries()) {
    const list = letters[index] ?? []
    const taken = list.slice(0, left).join('')
    left -= Math.min(left, list.length)
    if (taken) kept.push({ ...piece, text: taken })
    if (left === 0) break
  }
  const last = kept.at(-1)
  if (last && !last.emoteUrl) last.text = last.text.trimEnd() + ELLIPSIS
  else kept.push({ text: ELLIPSIS, isValue: false })
  return kept
}
