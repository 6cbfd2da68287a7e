import type { TickerState } from '../../core/score/parts/ticker/evaluateTicker.ts'
import type { ResolvedTicker } from '../../core/score/parts/ticker/resolveTicker.ts'
import type { TextLayout } from '../../core/text/textLayout.ts'
import { pieceNodes, styleText } from '../textNodes.ts'
import { boxWriter, makePartElement, rounded, styleWriter, type Painter } from './paint.ts'

/** A window behind which copies of one line run. */
export function paintTicker(part: ResolvedTicker, layout: TextLayout): Painter<TickerState> {
  const element = makePartElement('div', part.id)
  element.style.overflow = 'hidden'
  const writeBox = boxWriter(element)
  const copies: ReturnType<typeof styleWriter>[] = []

  function addCopy(): void {
    const copy = document.createElement('div')
    styleText(copy, part)
    copy.style.fontSize = `${layout.sizePx}px`
    // Copies repeat what the first one says.
    if (copies.length > 0) copy.setAttribute('aria-hidden', 'true')
    copy.append(...pieceNodes(layout.lines[0]?.pieces ?? [], part.highlightInk))
    element.append(copy)
    copies.push(styleWriter(copy))
  }
  return {
    element,
    draw(state) {
      writeBox(state)
      while (copies.length < state.copies) addCopy()
      copies.forEach((write, index) =>
        write('transform', `translateX(${rounded(state.shiftPx + index * state.periodPx)}px)`),
      )
    },
  }
}
