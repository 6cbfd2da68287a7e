import type { VisualState } from '../../core/score/sceneState.ts'
import { plain } from '../plain.ts'

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
  let last: Partial<VisualState> = {}
  return (state) => {
    const { matrix, opacity, widthPx, heightPx, blurPx, cut } = state
    write('transform', `matrix(${matrix.map(rounded).join()})`)
    // Most of it stays as it is from frame to frame: not even the words for it are made.
    if (opacity !== last.opacity) write('opacity', rounded(opacity))
    if (widthPx !== last.widthPx) write('width', `${rounded(widthPx)}px`)
    if (heightPx !== last.heightPx) write('height', `${rounded(heightPx)}px`)
    if (blurPx !== last.blurPx) write('filter', blurPx > 0 ? `blur(${rounded(blurPx)}px)` : 'none')
    if (cut || last.cut !== cut)
      write(
        'clipPath',
        cut
          ? `inset(${cut.map((ratio, side) => cutLength(ratio, side % 2 === 0 ? heightPx : widthPx, bleedPx)).join(' ')})`
          : 'none',
      )
    last = state
  }
}

function cutLength(ratio: number, sidePx: number, bleedPx: number): string {
  return `${rounded(ratio * (sidePx + 2 * bleedPx) - bleedPx)}px`
}

/** What a part is drawn in: out of sight until its first state. */
export function makePartElement<K extends keyof HTMLElementTagNameMap>(
  tag: K,
  partId: string,
): HTMLElementTagNameMap[K] {
  const element = document.createElement(tag)
  element.dataset.part = partId
  return plain(element, { display: 'none', transformOrigin: '0 0', boxSizing: 'border-box' })
}
