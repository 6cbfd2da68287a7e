import type { ResolvedTextPart } from '../core/score/resolved.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import { pieceNodes, styleText } from './textNodes.ts'

const alignRatio = { start: 0, middle: 0.5, end: 1 } as const

/** The lines of a text as elements, each at its place in the text's box. */
export function placeLines(part: ResolvedTextPart, layout: TextLayout): HTMLElement[] {
  return layout.lines.map((line, index) => {
    const element = document.createElement('div')
    styleText(element, part)
    // Lines of text that is written from right to left begin at the right.
    const isScrolled = line.widthPx > layout.widthPx
    Object.assign(element.style, {
      fontSize: `${layout.sizePx}px`,
      left: `${isScrolled ? 0 : (layout.widthPx - line.widthPx) * alignRatio[part.align]}px`,
      top: `${index * layout.sizePx * part.lineHeight}px`,
    })
    element.append(...pieceNodes(line.pieces, part.highlightInk))
    return element
  })
}
