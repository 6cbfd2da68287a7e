import type { BackdropState } from '../../core/score/parts/backdrop/evaluateBackdrop.ts'
import type { ResolvedBackdrop } from '../../core/score/parts/backdrop/resolveBackdrop.ts'
import { boxWriter, makePartElement, type Painter } from './paint.ts'

/** A plain plate. */
export function paintBackdrop(part: ResolvedBackdrop): Painter<BackdropState> {
  const element = makePartElement('div', part.id)
  element.style.background = part.ink
  element.style.borderRadius = `${part.cornerPx}px`
  return { element, draw: boxWriter(element) }
}
