import { resolveInk, resolveShadow, resolveType } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import type { LetterMotion } from '../motion/letters.ts'
import type { ResolvedReadAlong } from './readAlong.ts'
import type { TextStyle } from './style.ts'
import type { TextPiece } from './textPiece.ts'

/** Text with its roles settled: plain JSON, ready to be measured and drawn. Lengths in canvas pixels. */
export interface ResolvedText {
  pieces: TextPiece[]
  family: string
  weight: number
  sizePx: number
  floorPx: number
  maxWidthPx: number
  fit: TextStyle['fit']
  maxLines: number
  align: TextStyle['align']
  lineHeight: number
  letterSpacingEm: number
  ink: string
  highlightInk: string
  outlinePx: number
  outlineInk: string
  shadow: { xPx: number; yPx: number; blurPx: number; ink: string } | null
  letters: LetterMotion | null
  /** Words that light up as they are read; set once the voices are settled. */
  readAlong: ResolvedReadAlong | null
}

/**
 * Settles a text's style with a look. Capitals are made here, by the rules of the locale, so that all sources draw the
 * same letters.
 */
export function resolveText(style: TextStyle, pieces: readonly TextPiece[], look: Look, locale: string): ResolvedText {
  const { sizePx, floorPx, maxWidthPx, fit, maxLines, align, lineHeight, letterSpacingEm, outline, shadow, letters } =
    style
  const { family, weight, sizeRatio, trackingEm, outlineRatio } = resolveType(style.type, look)
  return {
    pieces: style.isUpperCase
      ? pieces.map((piece) => ({ ...piece, text: piece.text.toLocaleUpperCase(locale) }))
      : [...pieces],
    family,
    weight,
    sizePx: sizePx * sizeRatio,
    floorPx: floorPx * Math.min(1, sizeRatio),
    maxWidthPx,
    fit,
    maxLines,
    align,
    lineHeight,
    letterSpacingEm: letterSpacingEm + trackingEm,
    ink: resolveInk(style.ink, look),
    highlightInk: resolveInk(style.highlightInk, look),
    outlinePx: outline.widthPx * outlineRatio,
    outlineInk: resolveInk(outline.ink, look),
    shadow: resolveShadow(shadow, look),
    letters,
    readAlong: style.readAlong
      ? { ink: resolveInk(style.readAlong.ink, look), keeps: style.readAlong.keeps, words: [], untilMs: 0 }
      : null,
  }
}
