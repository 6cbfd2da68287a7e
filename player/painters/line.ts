import type { ResolvedLine } from '../../core/score/resolved.ts'
import type { LineLayout } from '../../core/score/sceneState.ts'
import { lineNodes, styleLine } from '../lineNodes.ts'
import { finishPartElement, writeBox, type Painter } from './paint.ts'

/** A line of real text, set once as it was fitted. */
export function paintLine(part: ResolvedLine, layout: LineLayout): Painter {
  const element = document.createElement('div')
  styleLine(element, part)
  finishPartElement(element, part.id)
  element.style.fontSize = `${layout.sizePx}px`
  element.append(...lineNodes(layout.pieces, part.highlightInk))
  return { element, draw: (state) => writeBox(element, state) }
}
