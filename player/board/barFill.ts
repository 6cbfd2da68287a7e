import type { BarState } from '../../core/score/parts/bar/evaluateBar.ts'
import type { ResolvedBar } from '../../core/score/parts/bar/resolveBar.ts'
import { rounded } from '../painters/paint.ts'
import { inkWith } from './liveStyle.ts'
import { plain } from '../plain.ts'

/** What fills of a bar, and its marks. */
export interface BarFill {
  element: HTMLElement
  /** Its plate is the bar itself. */
  hasPlate: boolean
  draw(ratio: number, marks: BarState['marks']): void
  /** Which part of the words lies on what is not full, and which on what is; null: words do not lie on it. */
  clips: ((ratio: number) => [string, string]) | null
}

function layer(): HTMLElement {
  const element = document.createElement('div')
  plain(element, { inset: '0' })
  return element
}

const percent = (ratio: number) => `${rounded(ratio * 100)}%`

/** Marks are made anew where there are others: they change with the goal, not with its amount. */
function marksWriter(host: HTMLElement, place: (mark: HTMLElement, ratio: number) => void, part: ResolvedBar) {
  let written = ''
  return (marks: BarState['marks']) => {
    const key = marks.map(({ ratio, isReached }) => `${rounded(ratio)}${isReached}`).join()
    if (key === written) return
    written = key
    host.replaceChildren(
      ...marks.map(({ ratio, isReached }) => {
        const mark = layer()
        mark.style.background = inkWith(isReached ? (part.plate?.ink ?? part.text.outlineInk) : part.fillInk, 0.8)
        place(mark, ratio)
        return mark
      }),
    )
  }
}

function straight(part: ResolvedBar): BarFill {
  const isLying = part.form === 'lying'
  const element = layer()
  element.style.borderRadius = `${part.plate?.radiusPx ?? 0}px`
  element.style.overflow = 'hidden'
  const fill = layer()
  fill.style.background = part.fillInk
  const marks = layer()
  element.append(fill, marks)
  const thick = Math.max(2, Math.round(Math.min(part.widthPx, part.heightPx) * 0.03))
  const writeMarks = marksWriter(
    marks,
    (mark, ratio) =>
      Object.assign(
        mark.style,
        isLying
          ? { inset: 'auto', left: percent(ratio), top: '0', bottom: '0', width: `${thick}px` }
          : { inset: 'auto', bottom: percent(ratio), left: '0', right: '0', height: `${thick}px` },
      ),
    part,
  )
  const cut = (ratio: number) => percent(1 - ratio)
  return {
    element,
    hasPlate: true,
    draw(ratio, shown) {
      fill.style.clipPath = isLying ? `inset(0 ${cut(ratio)} 0 0)` : `inset(${cut(ratio)} 0 0 0)`
      writeMarks(shown)
    },
    clips: (ratio) =>
      isLying
        ? [`inset(-9999px -9999px -9999px ${percent(ratio)})`, `inset(0 ${cut(ratio)} 0 0)`]
        : [`inset(-9999px -9999px ${percent(ratio)} -9999px)`, `inset(${cut(ratio)} 0 0 0)`],
  }
}

/** A ring from the top, clockwise. */
function round(part: ResolvedBar): BarFill {
  const element = layer()
  const side = Math.min(part.widthPx, part.heightPx)
  Object.assign(element.style, {
    inset: 'auto',
    left: `${(part.widthPx - side) / 2}px`,
    top: `${(part.heightPx - side) / 2}px`,
    width: `${side}px`,
    height: `${side}px`,
    borderRadius: '50%',
  })
  const inner = 'radial-gradient(closest-side, transparent 76%, #000 77%)'
  element.style.mask = inner
  const rest = inkWith(part.plate?.ink ?? part.text.outlineInk, part.plate?.opacity ?? 0.5)
  const [reached, open] = [inkWith(part.plate?.ink ?? part.text.outlineInk, 1), inkWith(part.fillInk, 0.8)]
  return {
    element,
    hasPlate: false,
    draw(ratio, marks) {
      const ticks = marks.map(
        ({ ratio: at, isReached }) =>
          `conic-gradient(transparent ${percent(at - 0.004)}, ${isReached ? reached : open} 0 ${percent(at + 0.004)}, transparent 0)`,
      )
      element.style.background = [...ticks, `conic-gradient(${part.fillInk} ${percent(ratio)}, ${rest} 0)`].join(',')
    },
    clips: null,
  }
}

/** A picture that fills from below by its own shape: pale where it is not full. */
function pictured(part: ResolvedBar, picture: HTMLImageElement | null): BarFill {
  const element = layer()
  const [pale, full] = [0, 1].map(() => {
    const image = layer()
    if (picture) {
      image.style.background = `url("${picture.src}") center / contain no-repeat`
      element.append(image)
    }
    return image
  }) as [HTMLElement, HTMLElement]
  pale.style.opacity = '0.3'
  pale.style.filter = 'grayscale(1)'
  const marks = layer()
  element.append(marks)
  const writeMarks = marksWriter(
    marks,
    (mark, ratio) =>
      Object.assign(mark.style, { inset: 'auto', bottom: percent(ratio), left: '20%', right: '20%', height: '2px' }),
    part,
  )
  return {
    element,
    hasPlate: false,
    draw(ratio, shown) {
      full.style.clipPath = `inset(${percent(1 - ratio)} 0 0 0)`
      writeMarks(shown)
    },
    clips: null,
  }
}

export function fillOf(part: ResolvedBar, picture: HTMLImageElement | null): BarFill {
  if (part.form === 'round') return round(part)
  return part.form === 'picture' ? pictured(part, picture) : straight(part)
}
