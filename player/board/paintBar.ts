import { contrast } from '../../core/colour/contrast.ts'
import type { BarState } from '../../core/score/parts/bar/evaluateBar.ts'
import type { ResolvedBar } from '../../core/score/parts/bar/resolveBar.ts'
import { plainText } from '../../core/text/textPiece.ts'
import { boxWriter, makePartElement, rounded, type Painter } from '../painters/paint.ts'
import { fillOf, type BarFill } from './barFill.ts'
import { inkWith, stylePlate } from './liveStyle.ts'
import { wordsLayer, type WordsLayer } from './wordsLayer.ts'
import { plain } from '../plain.ts'

/** The first of these that is told best from the fill: words lie on it. */
function inkOnFill({ text, plate, fillInk }: ResolvedBar): string {
  const inks = [text.ink, plate?.ink ?? text.outlineInk, text.outlineInk]
  return inks.reduce((best, ink) => (contrast(ink, fillInk) > contrast(best, fillInk) ? ink : best))
}

/** Words of a bar twice: as they are on what is not full, and in another ink on what is. */
interface BarWords {
  layers: WordsLayer[]
  /** Clips both to what they lie on. */
  clip: (ratio: number) => void
}

function wordsOf(part: ResolvedBar, host: HTMLElement, fill: BarFill, align: 'start' | 'middle' | 'end'): BarWords {
  const { padPx, text } = part
  const widthPx = Math.max(1, part.widthPx - 2 * padPx)
  const heightPx = Math.max(1, part.heightPx - 2 * padPx)
  const usual = wordsLayer({ text, widthPx, heightPx, align })
  const onFill = inkOnFill(part)
  const filled = { ...text, ink: onFill, highlightInk: onFill, outlinePx: 0, shadow: null }
  const copy = fill.clips ? wordsLayer({ text: filled, widthPx, heightPx, align, isCopy: true }) : null
  const layers = copy ? [usual, copy] : [usual]
  const boxes = layers.map(({ element }) => {
    element.style.inset = `${padPx}px`
    const box = document.createElement('div')
    plain(box, { inset: '0' })
    box.append(element)
    host.append(box)
    return box
  })
  return {
    layers,
    clip(ratio) {
      const clips = fill.clips?.(ratio)
      boxes.forEach((box, index) => (box.style.clipPath = clips?.[index] ?? 'none'))
    },
  }
}

/** A bar that fills. */
export function paintBar(part: ResolvedBar, picture: HTMLImageElement | null): Painter<BarState> {
  const element = makePartElement('div', part.id)
  const writeBox = boxWriter(element, 60)
  const body = document.createElement('div')
  plain(body, { inset: '0', transformOrigin: '50% 50%' })
  element.append(body)
  const fill = fillOf(part, picture)
  if (fill.hasPlate) stylePlate(body, part.plate)
  body.append(fill.element)
  const isCentred = part.form === 'round' || part.form === 'picture'
  const words = wordsOf(part, body, fill, isCentred ? 'middle' : part.text.align)
  const end = part.atEnd === '' || isCentred ? null : wordsOf(part, body, fill, 'end')
  body.setAttribute('role', 'progressbar')
  body.setAttribute('aria-valuemin', '0')
  body.setAttribute('aria-valuemax', '100')
  return {
    element,
    draw(state) {
      writeBox(state)
      fill.draw(state.ratio, state.marks)
      body.setAttribute('aria-valuenow', String(Math.round(state.ratio * 100)))
      const lines = isCentred && state.end.length > 0 ? [...state.lines, state.end] : state.lines
      const said = state.lines.map(plainText).join(' ') || 'Goal'
      if (body.ariaLabel !== said) body.ariaLabel = said
      for (const layer of words.layers) layer.write(lines)
      words.clip(state.ratio)
      for (const layer of end?.layers ?? []) layer.write(state.end.length > 0 ? [state.end] : [])
      end?.clip(state.ratio)
      drawGlow(body, part, state.glow)
    },
  }
}

function drawGlow(body: HTMLElement, { whenReached, fillInk, heightPx, form }: ResolvedBar, glow: number): void {
  const reachPx = rounded(glow * Math.min(60, heightPx * 0.7))
  const shadow = `0 0 ${reachPx}px ${inkWith(fillInk, Number(rounded(Math.min(1, glow * 1.4))))}`
  if (form === 'lying' || form === 'standing') body.style.boxShadow = glow > 0 ? shadow : 'none'
  else body.style.filter = glow > 0 ? `drop-shadow(${shadow})` : 'none'
  // Two beats that grow weaker as it fades.
  const beat = whenReached === 'beat' ? 0.05 * glow * Math.abs(Math.sin(glow * Math.PI * 3)) : 0
  body.style.transform = beat > 0 ? `scale(${rounded(1 + beat)})` : 'none'
}
