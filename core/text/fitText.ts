import { cutWideTokens, greedyLines, piecesOf, tokensOf, type Token } from './breakLines.ts'
import { cutToWidth, type MeasurePieces } from './cutToWidth.ts'
import type { TextFit } from './style.ts'
import type { TextLine } from './textLine.ts'
import type { TextPiece } from './textPiece.ts'

export interface FitRequest {
  pieces: readonly TextPiece[]
  fit: TextFit
  sizePx: number
  floorPx: number
  maxWidthPx: number
  maxLines: number
}

export interface FittedText {
  lines: TextLine[]
  sizePx: number
  /** The widest line; for `scroll` the window, which is never wider than the room. */
  widthPx: number
  /** True when even the floor was too large and the end was cut to an ellipsis. */
  isCut: boolean
}

/**
 * Fits text into a width. *shrink*: one line, smaller down to the floor, then cut. *wrap*: up to `maxLines` lines of
 * even length, then smaller down to the floor, then cut. *scroll*: one line of full size behind a window. Nothing is
 * ever wider than `maxWidthPx` (but the text behind a window); where not even an ellipsis fits there are no lines.
 */
export function fitText(request: FitRequest, measure: MeasurePieces): FittedText {
  const { sizePx, maxWidthPx } = request
  const pieces = request.pieces.map((piece) => ({ ...piece }))
  if (pieces.every((piece) => piece.text === '')) return { lines: [], sizePx, widthPx: 0, isCut: false }
  const naturalPx = measure(pieces, sizePx)
  if (naturalPx <= maxWidthPx)
    return { lines: [{ pieces, widthPx: naturalPx }], sizePx, widthPx: naturalPx, isCut: false }
  if (request.fit === 'scroll')
    return { lines: [{ pieces, widthPx: naturalPx }], sizePx, widthPx: maxWidthPx, isCut: false }
  if (request.fit === 'wrap' && request.maxLines > 1) return wrap(pieces, request, measure)
  return shrink(pieces, naturalPx, request, measure)
}

/**
 * How much smaller the next try is where an estimate was short: glyph widths do not scale exactly (hinting, optical
 * sizes).
 */
const smaller = (sizePx: number, floorPx: number) => Math.max(floorPx, sizePx - Math.max(1, Math.ceil(sizePx * 0.02)))

/** At most 3 + log2(letters) measurements. */
function shrink(pieces: TextPiece[], naturalPx: number, request: FitRequest, measure: MeasurePieces): FittedText {
  const { maxWidthPx } = request
  const floorPx = Math.min(request.floorPx, request.sizePx)
  let sizePx = Math.max(floorPx, Math.floor((request.sizePx * maxWidthPx) / naturalPx))
  let widthPx = measure(pieces, sizePx)
  while (widthPx > maxWidthPx && sizePx > floorPx) {
    sizePx = smaller(sizePx, floorPx)
    widthPx = measure(pieces, sizePx)
  }
  if (widthPx <= maxWidthPx) return { lines: [{ pieces, widthPx }], sizePx, widthPx, isCut: false }
  return cutTo([], pieces, sizePx, maxWidthPx, measure)
}

function cutTo(
  before: TextLine[],
  rest: TextPiece[],
  sizePx: number,
  maxWidthPx: number,
  measure: MeasurePieces,
): FittedText {
  const cut = cutToWidth(rest, sizePx, maxWidthPx, measure)
  const lines = cut.pieces.length > 0 ? [...before, cut] : before
  return { lines, sizePx, widthPx: Math.max(0, ...lines.map((line) => line.widthPx)), isCut: true }
}

/** One measurement for each word, then one for each line of each size that is tried. */
function wrap(pieces: TextPiece[], request: FitRequest, measure: MeasurePieces): FittedText {
  const { maxWidthPx, maxLines } = request
  const floorPx = Math.min(request.floorPx, request.sizePx)
  const whole = tokensOf(pieces)
  const wholeWidths = whole.map((token) => measure([token.piece], request.sizePx))
  let sizePx = largestFitting(whole, wholeWidths, request, floorPx)
  for (;;) {
    const ratio = sizePx / request.sizePx
    const { tokens, widths } = cutWideTokens(
      whole,
      wholeWidths.map((width) => width * ratio),
      maxWidthPx,
    )
    const spans = evenLines(tokens, widths, maxWidthPx)
    const lines = spans.slice(0, maxLines).map((span) => {
      const linePieces = piecesOf(tokens, span)
      return { pieces: linePieces, widthPx: measure(linePieces, sizePx) }
    })
    const fits = spans.length <= maxLines && lines.every((line) => line.widthPx <= maxWidthPx)
    if (fits) return { lines, sizePx, widthPx: Math.max(...lines.map((line) => line.widthPx)), isCut: false }
    if (sizePx <= floorPx) return cutLast(tokens, widths, sizePx, request, measure)
    sizePx = smaller(sizePx, floorPx)
  }
}

/** The largest whole size at which the estimated lines are few enough; the floor where none is. */
function largestFitting(
  tokens: readonly Token[],
  widths: readonly number[],
  { sizePx, maxWidthPx, maxLines }: FitRequest,
  floorPx: number,
): number {
  const fitsAt = (size: number) => {
    const scaled = widths.map((width) => (width * size) / sizePx)
    return scaled.every((width) => width <= maxWidthPx) && greedyLines(tokens, scaled, maxWidthPx).length <= maxLines
  }
  if (fitsAt(sizePx)) return sizePx
  let low = floorPx
  let high = sizePx
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (fitsAt(middle)) low = middle
    else high = middle
  }
  return low
}

/** As few lines as the width allows, and those as even as they get: the narrowest width that needs no line more. */
function evenLines(tokens: readonly Token[], widths: readonly number[], maxWidthPx: number): [number, number][] {
  const fewest = greedyLines(tokens, widths, maxWidthPx)
  let low = maxWidthPx / Math.max(1, fewest.length)
  let high = maxWidthPx
  while (high - low > maxWidthPx / 100) {
    const middle = (low + high) / 2
    const isWideEnough =
      widths.every((width) => width <= middle) && greedyLines(tokens, widths, middle).length <= fewest.length
    if (isWideEnough) high = middle
    else low = middle
  }
  return greedyLines(tokens, widths, high)
}

function cutLast(
  tokens: readonly Token[],
  widths: readonly number[],
  sizePx: number,
  { maxWidthPx, maxLines }: FitRequest,
  measure: MeasurePieces,
): FittedText {
  // A little less than the room, so that an estimate that was short does not cut every line.
  const spans = greedyLines(tokens, widths, maxWidthPx * 0.98)
  const before = spans.slice(0, Math.min(maxLines, spans.length) - 1).map((span) => {
    const pieces = piecesOf(tokens, span)
    const widthPx = measure(pieces, sizePx)
    return widthPx <= maxWidthPx ? { pieces, widthPx } : cutToWidth(pieces, sizePx, maxWidthPx, measure)
  })
  const rest = spans[before.length]
  return cutTo(before, rest ? piecesOf(tokens, [rest[0], tokens.length]) : [], sizePx, maxWidthPx, measure)
}
