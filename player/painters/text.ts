import type { ResolvedLine } from '../../core/score/parts/line/resolveLine.ts'
import type { ResolvedMessage } from '../../core/score/parts/message/resolveMessage.ts'
import type { LetterState } from '../../core/motion/lettersAt.ts'
import type { FittedTextState } from '../../core/score/sceneState.ts'
import type { PlacedUnit, TextLayout } from '../../core/text/textLayout.ts'
import { placeLines } from '../placeLines.ts'
import { lightLines, lightUnits } from '../litWords.ts'
import { drawnNodes, styleText } from '../textNodes.ts'
import { boxWriter, makePartElement, rounded, styleWriter, type Painter } from './paint.ts'
import { plain } from '../plain.ts'

type TextPart = ResolvedLine | ResolvedMessage

/**
 * Real text, set once as it was fitted; letters that move are set one by one at the places that the whole line gave
 * them.
 */
export function paintText(part: TextPart, layout: TextLayout): Painter<FittedTextState> {
  const element = makePartElement('div', part.id)
  const writeBox = boxWriter(element, part.outlinePx)
  if (part.fit === 'scroll' && (layout.lines[0]?.widthPx ?? 0) > layout.widthPx)
    return paintScrolling(element, part, layout)
  if (layout.units.length === 0) {
    const lines = placeLines(part, layout)
    const light = part.readAlong ? lightLines(lines, part.readAlong) : null
    element.append(...lines)
    return {
      element,
      draw(state) {
        writeBox(state)
        light?.(state.lit)
      },
    }
  }
  const writers = layout.units.map((unit) => unitLayers(part, layout, unit))
  // The text is in the document once, undrawn, as a reader or a script finds it; what is drawn are its letters one by
  // one.
  const said = document.createElement('div')
  plain(said, { opacity: '0' })
  said.append(...placeLines(part, layout))
  element.append(said)
  // All outlines lie under all fills, so that no letter's outline covers its neighbour.
  for (const unit of writers) if (unit.outline) element.append(unit.outline)
  for (const unit of writers) element.append(unit.fill)
  const light = part.readAlong
    ? lightUnits(
        layout.units,
        writers.map(({ fill }) => fill),
        layout,
        part.readAlong,
      )
    : null
  return {
    element,
    draw(state) {
      writeBox(state)
      light?.(state.lit)
      state.letters?.forEach((letter, index) => writers[index]?.draw(letter))
    },
  }
}

/** Text behind a window that moves. */
function paintScrolling(element: HTMLElement, part: TextPart, layout: TextLayout): Painter<FittedTextState> {
  const writeBox = boxWriter(element)
  element.style.overflow = 'hidden'
  const belt = document.createElement('div')
  plain(belt)
  const lines = placeLines(part, layout)
  const light = part.readAlong ? lightLines(lines, part.readAlong) : null
  belt.append(...lines)
  element.append(belt)
  const write = styleWriter(belt)
  return {
    element,
    draw(state) {
      writeBox(state)
      write('transform', `translateX(${rounded(-state.scrollPx)}px)`)
      light?.(state.lit)
    },
  }
}

interface UnitLayers {
  fill: HTMLElement
  outline: HTMLElement | null
  draw(letter: LetterState): void
}

function unitLayers(part: TextPart, layout: TextLayout, unit: PlacedUnit): UnitLayers {
  const fill = unitElement(part, layout, unit)
  let outline: HTMLElement | null = null
  if (part.outlinePx > 0) {
    outline = fill.cloneNode(true) as HTMLElement
    fill.style.setProperty('-webkit-text-stroke', '0')
    fill.style.textShadow = 'none'
  }
  const layers = (outline ? [outline, fill] : [fill]).map(styleWriter)
  return {
    fill,
    outline,
    draw({ offsetX, offsetY, scale, rotationDeg, opacity }) {
      const transform = `translate(${rounded(offsetX * layout.sizePx)}px,${rounded(offsetY * layout.sizePx)}px) rotate(${rounded(rotationDeg)}deg) scale(${rounded(scale)})`
      for (const write of layers) {
        write('transform', transform)
        write('opacity', rounded(opacity))
      }
    },
  }
}

function unitElement(part: TextPart, layout: TextLayout, unit: PlacedUnit): HTMLElement {
  const element = document.createElement('div')
  styleText(element, part)
  Object.assign(element.style, {
    fontSize: `${layout.sizePx}px`,
    left: `${unit.xPx}px`,
    top: `${unit.yPx}px`,
    transformOrigin: `${unit.widthPx / 2}px ${unit.heightPx / 2}px`,
  })
  const line = layout.lines[unit.line]
  const piece = unit.piece === null ? undefined : line?.pieces[unit.piece]
  const cut = piece && (piece.emoteUrl ? piece : { ...piece, text: piece.text.slice(unit.from, unit.to) })
  const pieces = unit.piece === null ? line?.pieces : cut && [cut]
  element.append(...drawnNodes(pieces ?? [], part.highlightInk))
  element.setAttribute('aria-hidden', 'true')
  return element
}
