import type { ResolvedBackdrop } from '../../core/score/resolved.ts'
import { makePartElement, writeBox, type Painter } from './paint.ts'

/** A plain plate. */
export function paintBackdrop(part: ResolvedBackdrop): Painter {
  const element = makePartElement('div', part.id)
  element.style.background = part.ink
  element.style.borderRadius = `${part.cornerPx}px`
  return { element, draw: (state) => writeBox(element, state) }
}
