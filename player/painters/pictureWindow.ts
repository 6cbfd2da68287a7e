import { pictureRects } from '../../core/score/parts/picture/pictureRects.ts'
import type { ResolvedPicture } from '../../core/score/parts/picture/resolvePicture.ts'
import { makePartElement } from './paint.ts'
import { plain } from '../plain.ts'

/** A window that shows the wanted part of an element which draws itself. */
export function makeWindow(
  part: ResolvedPicture,
  file: { widthPx: number; heightPx: number },
  inner: HTMLElement,
): HTMLElement {
  const element = makePartElement('div', part.id)
  const { from, to } = pictureRects(file, part, part.fit, part.crop)
  const x = to.width / Math.max(1, from.width)
  const y = to.height / Math.max(1, from.height)
  const pane = document.createElement('div')
  plain(pane, {
    overflow: 'hidden',
    left: `${to.x}px`,
    top: `${to.y}px`,
    width: `${to.width}px`,
    height: `${to.height}px`,
  })
  Object.assign(inner.style, {
    position: 'absolute',
    maxWidth: 'none',
    left: `${-from.x * x}px`,
    top: `${-from.y * y}px`,
    width: `${file.widthPx * x}px`,
    height: `${file.heightPx * y}px`,
  })
  pane.append(inner)
  element.append(pane)
  return element
}
