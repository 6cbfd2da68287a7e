import type { Row } from '../../core/board/slice.ts'
import type { ListState } from '../../core/score/parts/list/evaluateList.ts'
import type { ResolvedList } from '../../core/score/parts/list/resolveList.ts'
import { boxWriter, makePartElement, rounded, styleWriter, type Painter } from '../painters/paint.ts'
import { pieceNodes } from '../textNodes.ts'
import { measured } from './bench.ts'
import { plateLayer, styleLive } from './liveStyle.ts'
import { plain } from '../plain.ts'

interface Belt {
  element: HTMLElement
  write: ReturnType<typeof styleWriter>
  copies: ReturnType<typeof styleWriter>[]
  periodPx: number
}

/** No more copies than this are drawn, however short the text. */
const maxCopies = 40

/** Rows one behind the other that run through a window. What they were before fades out under what they are now. */
export function paintBelt(part: ResolvedList): Painter<ListState> {
  const element = makePartElement('div', part.id)
  const plate = plateLayer(part.plate)
  element.append(plate.element)
  element.style.overflow = 'hidden'
  const writeBox = boxWriter(element)
  const belts = new Map<readonly Row[], Belt>()

  function lineOf(rows: readonly Row[]): HTMLElement {
    const line = document.createElement('div')
    styleLive(line, part.text)
    line.style.top = `${Math.max(part.padPx, (part.heightPx - part.text.sizePx * part.text.lineHeight) / 2)}px`
    for (const row of rows) {
      const words = document.createElement('span')
      words.style.paddingRight = `${Math.max(part.gapPx, part.text.sizePx)}px`
      words.append(...pieceNodes(row.pieces, part.text.highlightInk))
      line.append(words)
    }
    return line
  }
  function beltOf(rows: readonly Row[]): Belt {
    const known = belts.get(rows)
    if (known) return known
    const box = document.createElement('div')
    plain(box, { inset: '0' })
    const periodPx = Math.max(part.text.sizePx, measured(lineOf(rows)).widthPx)
    const count = rows.length === 0 ? 0 : Math.min(maxCopies, Math.ceil(part.widthPx / periodPx) + 1)
    const copies = Array.from({ length: count }, (_, index) => {
      const line = lineOf(rows)
      if (index > 0) line.setAttribute('aria-hidden', 'true')
      box.append(line)
      return styleWriter(line)
    })
    element.append(box)
    const belt = { element: box, write: styleWriter(box), copies, periodPx }
    belts.set(rows, belt)
    return belt
  }
  return {
    element,
    draw(state) {
      writeBox(state)
      plate.draw(state.plateOpacity)
      const gone = new Set(belts.keys())
      for (const { rows, opacity } of state.belts) {
        gone.delete(rows)
        const { write, copies, periodPx } = beltOf(rows)
        write('opacity', rounded(opacity))
        const shiftPx = -(((state.ranPx % periodPx) + periodPx) % periodPx)
        copies.forEach((copy, index) => copy('transform', `translateX(${rounded(shiftPx + index * periodPx)}px)`))
      }
      for (const rows of gone) {
        belts.get(rows)?.element.remove()
        belts.delete(rows)
      }
    },
  }
}
