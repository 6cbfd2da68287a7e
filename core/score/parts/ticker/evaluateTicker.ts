import type { Canvas } from '../../../composition/canvas.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { TextLayout } from '../../../text/textLayout.ts'
import type { ResolvedTicker } from './resolveTicker.ts'

export interface TickerState extends VisualBase {
  kind: 'ticker'
  /**
   * Where the first copy of the text begins, in pixels from the window's left edge; between minus one period and
   * nothing.
   */
  shiftPx: number
  /** From one copy of the text to the next. */
  periodPx: number
  /** How many copies fill the window. */
  copies: number
}

/** No more copies than this are drawn, however short the text. */
const maxCopies = 60

/** The running line at a moment inside its clip. */
export function evaluateTicker(part: ResolvedTicker, layout: TextLayout, tMs: number, canvas: Canvas): TickerState {
  const periodPx = Math.max(1, (layout.lines[0]?.widthPx ?? 0) + Math.max(part.gapPx, layout.sizePx * 0.25))
  const ranPx = (part.pxPerS * (tMs - part.startMs)) / 1000
  const shiftPx = -(((ranPx % periodPx) + periodPx) % periodPx)
  return {
    kind: 'ticker',
    ...standingAt(part, { widthPx: part.widthPx, heightPx: layout.heightPx }, tMs, canvas),
    shiftPx,
    periodPx,
    copies: layout.lines.length === 0 ? 0 : Math.min(maxCopies, Math.ceil(part.widthPx / periodPx) + 1),
  }
}
