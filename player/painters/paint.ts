import type { VisualState } from '../../core/score/sceneState.ts'

/** How the stage is being moved: live, or from one moment to another. */
export interface DrawMode {
  isRunning: boolean
}

/** Draws one part. `element` is hidden until its first state. */
export interface Painter<S extends VisualState = VisualState> {
  element: HTMLElement
  draw(state: S, mode: DrawMode): void
  /** Resolves when what was drawn last can be seen: a video has to find its frame first. */
  settled?(): Promise<void>
  /** Out of sight for now: lets go of what would go on by itself. Whatever is drawn next is seen as if it had never rested. */
  rest?(): void
  /** Taken off for good: gives back what it held. */
  close?(): void
}

/** Values are rounded so that the same state always writes the same characters. */
export function rounded(value: number): string {
  return String(Math.round(value * 10_000) / 10_000)
}

/** Writes styles of one element, each only where it differs from what was written last. */
export function styleWriter(
  element: HTMLElement,
): (property: 'transform' | 'opacity' | 'width' | 'height' | 'filter' | 'clipPath' | 'left', value: string) => void {
  const written: Record<string, string> = {}
  return (property, value) => {
    if (written[property] === value) return
    written[property] = value
    element.style[property] = value
  }
}

/**
 * Makes what writes all that parts have in common: where they are, how large, how opaque, how sharp and how much of
 * them.
 * @param bleedPx how far the drawing reaches beyond its box (outlines); a cut that begins keeps it
 */
export function boxWriter(element: HTMLElement, bleedPx = 0): (state: VisualState) => void {
  const write = styleWriter(element)
  return (state) => {
    write('transform', `matrix(${state.matrix.map(rounded).join(',')})`)
    write('opacity', rounded(state.opacity))
    write('width', `${rounded(state.widthPx)}px`)
    write('height', `${rounded(state.heightPx)}px`)
    write('filter', state.blurPx > 0 ? `blur(${rounded(state.blurPx)}px)` : 'none')
    write(
      'clipPath',
      state.cut
        ? `inset(${state.cut.map((ratio, side) => cutLength(ratio, side % 2 === 0 ? state.heightPx : state.widthPx, bleedPx)).join(' ')})`
        : 'none',
    )
  }
}

function cutLength(ratio: number, sidePx: number, bleedPx: number): string {
  return `${rounded(ratio * (sidePx + 2 * bleedPx) - bleedPx)}px`
}

export function makePartElement<K extends keyof HTMLElementTagNameMap>(
  tag: K,
  partId: string,
): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag)
  Object.assign(element.style, { all: 'initial', position: 'absolute', left: '0', top: '0' })
  finishPartElement(element, partId)
  return element
}

/** What must hold after `all: initial`. */
export function finishPartElement(element: HTMLElement, partId: string): void {
  element.dataset.part = partId
  Object.assign(element.style, {
    display: 'none',
    transformOrigin: '0 0',
    boxSizing: 'border-box',
    maxWidth: 'none',
    maxHeight: 'none',
  })
}
