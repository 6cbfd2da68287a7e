import { isTextPart, type ResolvedScore, type ResolvedTextPart } from '../core/score/resolved.ts'
import { fitText } from '../core/text/fitText.ts'
import type { PlacedUnit, TextLayout } from '../core/text/textLayout.ts'
import { textRoomPx } from '../core/text/textRoom.ts'
import { cutUnits } from '../core/text/units.ts'
import { hiddenBench } from './hiddenBench.ts'
import { pieceNodes, styleText } from './textNodes.ts'
import { placeLines } from './placeLines.ts'

/**
 * Measures and fits every text of a score, once per play. Fonts must be loaded. Unscaled whatever the stage's zoom.
 * @param hasAllFonts false where a family could not be loaded: what is measured then is not kept for later
 */
export function layoutTexts(score: ResolvedScore, hasAllFonts: boolean): Map<string, TextLayout> {
  const layouts = new Map<string, TextLayout>()
  const bench = hiddenBench()
  document.body.append(bench)
  for (const part of score.parts) {
    if (!isTextPart(part)) continue
    const key = layoutKey(part, score)
    const layout = (hasAllFonts ? known.get(key) : undefined) ?? layoutText(part, score, bench)
    known.delete(key)
    if (hasAllFonts) known.set(key, layout)
    layouts.set(part.id, layout)
  }
  for (const oldest of known.keys()) {
    if (known.size <= knownMax) break
    known.delete(oldest)
  }
  bench.remove()
  return layouts
}

/** Texts that were measured lately: while something else is dragged, none is measured again. */
const known = new Map<string, TextLayout>()
const knownMax = 200

/** Everything that decides how a text is fitted. */
function layoutKey(part: ResolvedTextPart, score: ResolvedScore): string {
  const {
    pieces,
    family,
    weight,
    sizePx,
    floorPx,
    fit,
    maxLines,
    align,
    lineHeight,
    letterSpacingEm,
    outlinePx,
    letters,
  } = part
  const room = part.kind === 'ticker' ? part.widthPx : textRoomPx(part, score.canvas)
  return JSON.stringify([
    part.kind,
    pieces,
    family,
    weight,
    sizePx,
    floorPx,
    fit,
    maxLines,
    align,
    lineHeight,
    letterSpacingEm,
    outlinePx,
    letters?.unit,
    room,
    document.fonts.size,
  ])
}

function layoutText(part: ResolvedTextPart, score: ResolvedScore, bench: HTMLElement): TextLayout {
  const probe = document.createElement('div')
  styleText(probe, part)
  bench.append(probe)
  // A running line is never fitted: it has all the room it wants.
  const isRunning = part.kind === 'ticker'
  const fitted = fitText(
    {
      pieces: part.pieces,
      fit: part.fit,
      sizePx: part.sizePx,
      floorPx: part.floorPx,
      maxLines: part.maxLines,
      maxWidthPx: isRunning ? Infinity : textRoomPx(part, score.canvas),
    },
    (pieces, sizePx) => {
      probe.style.fontSize = `${sizePx}px`
      probe.replaceChildren(...pieceNodes(pieces, part.highlightInk))
      return probe.getBoundingClientRect().width
    },
  )
  probe.remove()
  const { lines, sizePx, isCut } = fitted
  const layout: TextLayout = {
    lines,
    sizePx,
    isCut,
    widthPx: isRunning ? part.widthPx : fitted.widthPx,
    heightPx: lines.length * sizePx * part.lineHeight,
    units: [],
  }
  if (part.letters) layout.units = measureUnits(part, layout, bench)
  return layout
}

/**
 * Where each moving piece lies in the text as it is drawn at rest: kerning and direction are those of the whole line.
 */
function measureUnits(part: ResolvedTextPart, layout: TextLayout, bench: HTMLElement): PlacedUnit[] {
  if (!part.letters) return []
  const lines = placeLines(part, layout)
  bench.append(...lines)
  const origin = bench.getBoundingClientRect()
  const placed = cutUnits(layout.lines, part.letters.unit).flatMap((unit) => {
    const line = lines[unit.line]
    const node = unit.piece === null ? line : line?.childNodes[unit.piece]
    if (!line || !node) return []
    const rect = rectOf(node, unit.from, unit.to)
    const top = unit.line * layout.sizePx * part.lineHeight
    return [
      {
        ...unit,
        xPx: rect.left - origin.left,
        yPx: top,
        widthPx: rect.width,
        heightPx: layout.sizePx * part.lineHeight,
      },
    ]
  })
  for (const line of lines) line.remove()
  return placed
}

function rectOf(node: Node, from: number, to: number): DOMRect {
  const text = node instanceof Text ? node : node.firstChild
  if (to === 0 || !(text instanceof Text)) return (node as Element).getBoundingClientRect()
  const range = document.createRange()
  range.setStart(text, from)
  range.setEnd(text, to)
  return range.getBoundingClientRect()
}
