import type { ResolvedLine } from '../core/score/resolved.ts'
import type { TextPiece } from '../core/text/fillTemplate.ts'
import { fontStack } from './fontStack.ts'

export const lineHeightRatio = 1.24

/** Gives an element everything that decides how wide its text is. Used alike for measuring and for drawing. */
export function styleLine(element: HTMLElement, part: ResolvedLine): void {
  Object.assign(element.style, {
    all: 'initial',
    position: 'absolute',
    left: '0',
    top: '0',
    whiteSpace: 'pre',
    fontFamily: fontStack(part.family),
    fontWeight: String(part.weight),
    lineHeight: String(lineHeightRatio),
    fontKerning: 'normal',
    fontSynthesis: 'none',
    color: part.ink,
  })
  if (part.outlinePx > 0) {
    element.style.setProperty('-webkit-text-stroke', `${part.outlinePx * 2}px ${part.outlineInk}`)
    element.style.setProperty('paint-order', 'stroke fill')
    element.style.setProperty('stroke-linejoin', 'round')
  }
}

/**
 * The pieces as text nodes and `<bdi>`: text is only ever set as text, so markup in a name stays letters, and each value is
 * isolated so that its direction cannot turn the words around it.
 */
export function lineNodes(pieces: readonly TextPiece[], highlightInk: string): Node[] {
  return pieces.map((piece) => {
    if (!piece.isValue) return document.createTextNode(piece.text)
    const value = document.createElement('bdi')
    value.style.color = highlightInk
    value.textContent = piece.text
    return value
  })
}
