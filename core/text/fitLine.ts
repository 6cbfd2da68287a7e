import type { TextPiece } from './fillTemplate.ts'
import { graphemes } from './graphemes.ts'

/** How wide the pieces would be drawn, side by side, at a font size. Both in canvas pixels. Must not shrink as text grows. */
export type MeasurePieces = (pieces: readonly TextPiece[], sizePx: number) => number

export interface FittedLine {
  pieces: TextPiece[]
  sizePx: number
  widthPx: number
  /** True when even the floor was too large and the end was cut to an ellipsis. */
  isCut: boolean
}

export interface FitRequest {
  pieces: readonly TextPiece[]
  sizePx: number
  floorPx: number
  maxWidthPx: number
}

const ELLIPSIS = '…'

/**
 * Fits one line into a width: first the size shrinks, down to the floor; then the end is cut, between letters, to an
 * ellipsis. At most 3 + log2(letters) measurements. The result is never wider than `maxWidthPx` unless that is narrower
 * than the ellipsis itself, where the line becomes empty.
 */
export function fitLine(request: FitRequest, measure: MeasurePieces): FittedLine {
  const { sizePx, maxWidthPx } = request
  const floorPx = Math.min(request.floorPx, sizePx)
  const pieces = request.pieces.map((piece) => ({ ...piece }))
  const naturalWidthPx = measure(pieces, sizePx)
  if (naturalWidthPx <= maxWidthPx) return { pieces, sizePx, widthPx: naturalWidthPx, isCut: false }

  let shrunkPx = Math.max(floorPx, Math.floor((sizePx * maxWidthPx) / naturalWidthPx))
  let widthPx = measure(pieces, shrunkPx)
  // Glyph widths do not scale exactly with size (hinting, optical sizes), so step down where the estimate was short.
  while (widthPx > maxWidthPx && shrunkPx > floorPx) {
    shrunkPx = Math.max(floorPx, shrunkPx - Math.max(1, Math.ceil(shrunkPx * 0.02)))
    widthPx = measure(pieces, shrunkPx)
  }
  if (widthPx <= maxWidthPx) return { pieces, sizePx: shrunkPx, widthPx, isCut: false }
  return cutToWidth(pieces, floorPx, maxWidthPx, measure)
}

function cutToWidth(pieces: TextPiece[], sizePx: number, maxWidthPx: number, measure: MeasurePieces): FittedLine {
  const letters = pieces.map((piece) => graphemes(piece.text))
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
  if (widthPx > maxWidthPx) return { pieces: [], sizePx, widthPx: 0, isCut: true }
  return { pieces: cut, sizePx, widthPx, isCut: true }
}

function keep(pieces: readonly TextPiece[], letters: readonly string[][], count: number): TextPiece[] {
  const kept: TextPiece[] = []
  let left = count
  for (const [index, piece] of pieces.entries()) {
    const list = letters[index] ?? []
    const taken = list.slice(0, left).join('')
    left -= Math.min(left, list.length)
    if (taken) kept.push({ text: taken, isValue: piece.isValue })
    if (left === 0) break
  }
  const last = kept.at(-1)
  if (last) last.text = last.text.trimEnd() + ELLIPSIS
  else kept.push({ text: ELLIPSIS, isValue: false })
  return kept
}
