import { readableInk } from '../../core/board/nameInk.ts'
import type { ChatRole, Row } from '../../core/board/slice.ts'
import type { ResolvedKinds } from '../../core/score/resolved.ts'
import type { TextPiece } from '../../core/text/textPiece.ts'
import { pieceNodes } from '../textNodes.ts'
import { cssAlign, styleLive } from './liveStyle.ts'

export type RowsPart = ResolvedKinds['list' | 'chat' | 'top' | 'sponsor']

/** A row as it is drawn, and what of it changes by itself. */
export interface RowElement {
  element: HTMLElement
  /** Where its age, or its place, is told. */
  aside: HTMLElement | null
}

/** What is shown of the pieces of a chat that shows no emotes: their words. */
const asWords = (pieces: readonly TextPiece[]): TextPiece[] => pieces.map(({ text, isValue }) => ({ text, isValue }))

/** Builds a row. Whatever viewers wrote is set as text. */
export function rowElement(part: RowsPart, row: Row): RowElement {
  const element = document.createElement('div')
  styleLive(element, part.text)
  Object.assign(element.style, {
    width: `${Math.max(0, part.widthPx - 2 * part.padPx)}px`,
    display: 'flex',
    gap: '0.45em',
  })
  element.dataset.row = row.id
  if (part.kind === 'chat') return { element: chatRow(part, row, element), aside: null }
  const words = document.createElement('div')
  Object.assign(words.style, {
    flex: '1 1 auto',
    minWidth: '0',
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
    textAlign: cssAlign[part.text.align],
    // What is cut off sideways is not cut off below: tails of letters, outlines and emotes reach beyond their line.
    paddingBlock: '0.25em',
    marginBlock: '-0.25em',
  })
  if (part.kind === 'top') {
    const place = part.hasRanks ? asideElement() : null
    if (place) element.append(place)
    words.append(nameNode(row.name, part.text.highlightInk))
    const amount = document.createElement('div')
    amount.style.whiteSpace = 'nowrap'
    amount.append(...pieceNodes(row.pieces, part.text.ink))
    element.append(words, amount)
    return { element, aside: place }
  }
  const pieces = part.kind === 'sponsor' && !part.hasPicture ? asWords(row.pieces) : row.pieces
  words.append(...pieceNodes(pieces, part.text.highlightInk))
  element.append(words)
  if (part.kind === 'sponsor') return { element, aside: null }
  const age = part.hasAges && row.atMs !== null ? asideElement() : null
  if (age) {
    Object.assign(age.style, { fontSize: '0.72em', alignSelf: 'center' })
    element.append(age)
  }
  return { element, aside: age }
}

function asideElement(): HTMLElement {
  const aside = document.createElement('div')
  Object.assign(aside.style, { whiteSpace: 'nowrap', opacity: '0.75', flex: '0 0 auto' })
  return aside
}

function nameNode(name: string, ink: string): HTMLElement {
  const node = document.createElement('bdi')
  node.style.color = ink
  node.textContent = name
  return node
}

function chatRow(part: ResolvedKinds['chat'], row: Row, element: HTMLElement): HTMLElement {
  const { text, plate, mostLines, hasMarks, hasEmotes, hasOwnInks } = part
  Object.assign(element.style, {
    display: 'block',
    whiteSpace: 'pre-wrap',
    overflowWrap: 'anywhere',
    maxHeight: `${mostLines * text.lineHeight * text.sizePx}px`,
    overflow: 'hidden',
  })
  if (hasMarks) for (const role of row.roles) element.append(roleMark(role, text.highlightInk))
  // Without a plate, letters are told by their outline from whatever is behind them.
  const background = plate && plate.opacity >= 0.5 ? plate.ink : text.outlineInk
  const ink = hasOwnInks && row.nameInk ? readableInk(row.nameInk, background) : text.highlightInk
  if (row.name) element.append(nameNode(row.name, ink), document.createTextNode(' '))
  const pieces = hasEmotes ? row.pieces : asWords(row.pieces)
  element.append(...pieceNodes(pieces, text.ink))
  return element
}

/** Plain forms, so that a mark is told without its colour: a ring, a square on its corner, a disc. */
const markPath: Record<ChatRole, string> = {
  host: 'M8 1.5a6.5 6.5 0 1 1 0 13 6.5 6.5 0 0 1 0-13Zm0 3.4a3.1 3.1 0 1 0 0 6.2 3.1 3.1 0 0 0 0-6.2Z',
  helper: 'M8 .8 15.2 8 8 15.2.8 8Z',
  supporter: 'M8 3.2a4.8 4.8 0 1 1 0 9.6 4.8 4.8 0 0 1 0-9.6Z',
}
const markName: Record<ChatRole, string> = { host: 'host', helper: 'helper', supporter: 'supporter' }

function roleMark(role: ChatRole, ink: string): Element {
  const namespace = 'http://www.w3.org/2000/svg'
  const mark = document.createElementNS(namespace, 'svg')
  mark.setAttribute('viewBox', '0 0 16 16')
  mark.setAttribute('role', 'img')
  mark.setAttribute('aria-label', markName[role])
  Object.assign(mark.style, { width: '0.62em', height: '0.62em', marginRight: '0.28em', display: 'inline-block' })
  const path = document.createElementNS(namespace, 'path')
  path.setAttribute('d', markPath[role])
  path.setAttribute('fill', ink)
  mark.append(path)
  return mark
}
