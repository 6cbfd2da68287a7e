import type { PlacedRow } from '../../core/board/rowsAt.ts'
import type { Row } from '../../core/board/slice.ts'
import type { ChatState } from '../../core/score/parts/chat/evaluateChat.ts'
import type { ListState } from '../../core/score/parts/list/evaluateList.ts'
import type { SponsorState } from '../../core/score/parts/sponsor/evaluateSponsor.ts'
import type { TopState } from '../../core/score/parts/top/evaluateTop.ts'
import { boxWriter, makePartElement, rounded, styleWriter, type Painter } from '../painters/paint.ts'
import { ageWords } from './ageWords.ts'
import { plateLayer } from './liveStyle.ts'
import { rowElement, type RowElement, type RowsPart } from './rowElement.ts'
import { plain } from '../plain.ts'

type RowsStates = ListState | ChatState | TopState | SponsorState

interface DrawnRow extends RowElement {
  row: Row
  write: ReturnType<typeof styleWriter>
}

/** New rows come in from this far to the left, in letters. */
const comesFromEm = 1.2

/** Rows that move, come and go. Their elements are there as long as they can be seen. */
export function paintRows(part: RowsPart): Painter<RowsStates> {
  const element = makePartElement('div', part.id)
  const plate = plateLayer(part.plate)
  element.style.overflow = 'hidden'
  const room = document.createElement('div')
  const padPx = `${part.padPx}px`
  plain(room, { inset: padPx })
  element.append(plate.element, room)
  const writeBox = boxWriter(element)
  const drawn = new Map<string, DrawnRow>()

  /** @param before what is drawn right before it: in the document rows stand in the order in which they are read */
  function elementOf({ row }: PlacedRow, before: Element | null): DrawnRow {
    const known = drawn.get(row.id)
    if (known && (known.row === row || isSameRow(known.row, row))) return known
    if (known) known.element.remove()
    const made = rowElement(part, row)
    const fresh = { ...made, row, write: styleWriter(made.element) }
    drawn.set(row.id, fresh)
    if (before) before.after(made.element)
    else room.prepend(made.element)
    return fresh
  }
  return {
    element,
    draw(state) {
      writeBox(state)
      plate.draw(state.plateOpacity)
      const gone = new Set(drawn.keys())
      let before: Element | null = null
      for (const placed of state.rows) {
        gone.delete(placed.row.id)
        const { element: shown, write, aside } = elementOf(placed, before)
        before = shown
        const outPx = -placed.out * comesFromEm * part.text.sizePx
        write('transform', `translate(${rounded(outPx)}px,${rounded(placed.topPx)}px)`)
        const pale = state.kind === 'list' ? (state.paleness?.get(placed.row.id) ?? 1) : 1
        write('opacity', rounded(placed.opacity * pale))
        const words = aside ? asideWords(state, placed.row) : ''
        if (aside && aside.textContent !== words) aside.textContent = words
      }
      for (const id of gone) {
        drawn.get(id)?.element.remove()
        drawn.delete(id)
      }
    },
  }
}

const isSameRow = (one: Row, other: Row) => JSON.stringify(one) === JSON.stringify(other)

function asideWords(state: RowsStates, { id, atMs }: Row): string {
  if (state.kind === 'top') return `${state.ranks?.get(id) ?? ''}`
  return state.kind === 'list' && state.nowMs !== null && atMs !== null ? ageWords(state.nowMs - atMs) : ''
}
