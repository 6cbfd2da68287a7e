import type { ResolvedText } from '../core/text/resolvedText.ts'
import type { TextPiece } from '../core/text/textPiece.ts'
import { fontStack } from './fontStack.ts'
import { drawnAttribute, plain } from './plain.ts'

/** An emote is drawn so high, in font sizes. */
const emoteEm = 1.25

/** How a text is set, wherever it stands. */
type SetText = Pick<
  ResolvedText,
  'family' | 'weight' | 'lineHeight' | 'letterSpacingEm' | 'ink' | 'shadow' | 'outlinePx' | 'outlineInk'
>

/** Gives an element everything that decides how wide its text is. Used alike for measuring and for drawing. */
export function styleText(element: HTMLElement, text: SetText): void {
  plain(element, {
    whiteSpace: 'pre',
    fontFamily: fontStack(text.family),
    fontWeight: String(text.weight),
    lineHeight: String(text.lineHeight),
    letterSpacing: text.letterSpacingEm === 0 ? 'normal' : `${text.letterSpacingEm}em`,
    fontKerning: 'normal',
    fontSynthesis: 'none',
    color: text.ink,
  })
  if (text.shadow)
    element.style.textShadow = `${text.shadow.xPx}px ${text.shadow.yPx}px ${text.shadow.blurPx}px ${text.shadow.ink}`
  if (text.outlinePx > 0) strokeText(element, text)
}

function strokeText(element: HTMLElement, text: SetText): void {
  element.style.setProperty('-webkit-text-stroke', `${text.outlinePx * 2}px ${text.outlineInk}`)
  element.style.setProperty('paint-order', 'stroke fill')
  element.style.setProperty('stroke-linejoin', 'round')
}

/**
 * The pieces as text nodes, `<bdi>` and emotes: text is only ever set as text, so markup in a name stays letters, and
 * each value is isolated so that its direction cannot turn the words around it.
 */
export function pieceNodes(pieces: readonly TextPiece[], highlightInk: string): Node[] {
  return pieces.map((piece) => {
    if (piece.emoteUrl) return emoteNode(piece.emoteUrl, piece.text)
    if (!piece.isValue) return document.createTextNode(piece.text)
    const value = document.createElement('bdi')
    value.style.color = highlightInk
    value.textContent = piece.text
    return value
  })
}

/**
 * The pieces as they are *drawn* but not said: their letters stand in an attribute and are set by a rule of the stage.
 * For moving letters, of which there are many copies, while the text itself is in the document once.
 */
export function drawnNodes(pieces: readonly TextPiece[], highlightInk: string): Node[] {
  return pieces.map((piece) => {
    if (piece.emoteUrl) return emoteNode(piece.emoteUrl, '')
    const drawn = document.createElement(piece.isValue ? 'bdi' : 'span')
    if (piece.isValue) drawn.style.color = highlightInk
    drawn.setAttribute(drawnAttribute, piece.text)
    return drawn
  })
}

/** An emote in its line: a box of a fixed size, so that the text is fitted before the picture has come. */
function emoteNode(url: string, word: string): HTMLElement {
  const image = document.createElement('img')
  image.alt = word
  image.src = url
  Object.assign(image.style, {
    display: 'inline-block',
    width: `${emoteEm}em`,
    height: `${emoteEm}em`,
    objectFit: 'contain',
    verticalAlign: '-0.28em',
    margin: '0 0.06em',
  })
  return image
}
