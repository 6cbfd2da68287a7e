import type { ShapeState } from '../../core/score/parts/shape/evaluateShape.ts'
import type { ResolvedShape } from '../../core/score/parts/shape/resolveShape.ts'
import { boxWriter, makePartElement, type Painter } from './paint.ts'

const svgNamespace = 'http://www.w3.org/2000/svg'

/** A form as vector: sharp at any size. */
export function paintShape(part: ResolvedShape): Painter<ShapeState> {
  const element = makePartElement('div', part.id)
  const drawing = document.createElementNS(svgNamespace, 'svg')
  drawing.setAttribute('width', String(part.widthPx))
  drawing.setAttribute('height', String(part.heightPx))
  drawing.style.overflow = 'visible'
  drawing.style.display = 'block'
  const path = document.createElementNS(svgNamespace, 'path')
  path.setAttribute('d', part.path)
  path.setAttribute('fill', part.fill ?? 'none')
  if (part.strokePx > 0) {
    path.setAttribute('stroke', part.strokeInk)
    path.setAttribute('stroke-width', String(part.strokePx))
    path.setAttribute('stroke-linejoin', 'round')
  }
  drawing.append(path)
  element.append(drawing)
  return { element, draw: boxWriter(element, part.strokePx / 2) }
}
