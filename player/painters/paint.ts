import type { VisualState } from '../../core/score/sceneState.ts'

/** Draws one part. `element` is hidden until its first state. */
export interface Painter {
  element: HTMLElement
  draw(state: VisualState): void
}

/** Values are rounded so that the same state always writes the same characters. */
function rounded(value: number): string {
  return String(Math.round(value * 10_000) / 10_000)
}

/** Writes what every part has in common: where it is, how large and how opaque. */
export function writeBox(element: HTMLElement, state: VisualState): void {
  element.style.transform = `matrix(${state.matrix.map(rounded).join(',')})`
  element.style.opacity = rounded(state.opacity)
  element.style.width = `${rounded(state.widthPx)}px`
  element.style.height = `${rounded(state.heightPx)}px`
}

export function makePartElement<K extends keyof HTMLElementTagNameMap>(tag: K, partId: string): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag)
  Object.assign(element.style, { all: 'initial', position: 'absolute', left: '0', top: '0' })
  finishPartElement(element, partId)
  return element
}

/** What must hold after `all: initial`. */
export function finishPartElement(element: HTMLElement, partId: string): void {
  element.dataset.part = partId
  Object.assign(element.style, { display: 'none', transformOrigin: '0 0', boxSizing: 'border-box', maxWidth: 'none', maxHeight: 'none' })
}
