import type { Canvas } from '../composition/canvas.ts'
import { lettersAt, type LetterState } from '../motion/lettersAt.ts'
import { seedOf } from '../random.ts'
import type { ResolvedVisible } from '../score/resolvedBase.ts'
import { standingAt } from '../score/standing.ts'
import type { VisualBase } from '../score/visualBase.ts'
import { litAt, type LitWords } from './readAlong.ts'
import type { ResolvedText } from './resolvedText.ts'
import type { TextLayout } from './textLayout.ts'

/** Drawn text at one moment. */
export interface TextState extends VisualBase {
  /** One for each moving piece of the text, in order; null while the text moves as a whole. */
  letters: LetterState[] | null
  /** How far the text has moved past the left edge of its box, in canvas pixels; 0 unless it scrolls. */
  scrollPx: number
  /** Which of its words are lit; null where none ever is. */
  lit: LitWords | null
}

/** How fast text that is too long scrolls, in font sizes a second: about three words. */
const scrollSizesPerS = 2.4
/** Scrolling waits so long at the beginning, so that the first words can be read. */
const scrollWaitMs = 700

/** Text at a moment inside its clip. Linear in the number of its moving pieces. */
export function evaluateText<K extends string>(
  part: ResolvedVisible & ResolvedText & { kind: K },
  layout: TextLayout,
  tMs: number,
  canvas: Canvas,
): TextState & { kind: K } {
  const intoMs = tMs - part.startMs
  const state = standingAt(part, layout, tMs, canvas) as TextState & { kind: K }
  state.kind = part.kind
  state.letters =
    part.letters && layout.units.length > 0
      ? lettersAt(part.letters, intoMs, layout.units.length, seedOf(part.id))
      : null
  state.scrollPx = part.fit === 'scroll' ? scrolledPx(layout, intoMs - part.entrance.ms) : 0
  state.lit = part.readAlong ? litAt(part.readAlong, tMs) : null
  return state
}

function scrolledPx(layout: TextLayout, sinceEnteredMs: number): number {
  const overPx = Math.max(0, (layout.lines[0]?.widthPx ?? 0) - layout.widthPx)
  return Math.min(overPx, (Math.max(0, sinceEnteredMs - scrollWaitMs) / 1000) * scrollSizesPerS * layout.sizePx)
}

/**
 * How long scrolling text needs from its clip's start until its end has come into sight; 0 where nothing scrolls.
 * Milliseconds.
 */
export function scrollNeedsMs(part: ResolvedVisible & ResolvedText, layout: TextLayout): number {
  const overPx = part.fit === 'scroll' ? (layout.lines[0]?.widthPx ?? 0) - layout.widthPx : 0
  return overPx > 0 ? part.entrance.ms + scrollWaitMs + (overPx / (scrollSizesPerS * layout.sizePx)) * 1000 : 0
}
