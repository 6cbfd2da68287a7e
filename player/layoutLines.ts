import { lineRoomPx } from '../core/parts/line/lineRoom.ts'
import type { ResolvedLine, ResolvedScore } from '../core/score/resolved.ts'
import type { LineLayout } from '../core/score/sceneState.ts'
import { fitLine } from '../core/text/fitLine.ts'
import { lineHeightRatio, lineNodes, styleLine } from './lineNodes.ts'

/** Measures and fits every line of a score, once per play. Fonts must be loaded. Unscaled whatever the stage's zoom. */
export function layoutLines(score: ResolvedScore): Map<string, LineLayout> {
  const layouts = new Map<string, LineLayout>()
  const bench = document.createElement('div')
  Object.assign(bench.style, { all: 'initial', position: 'fixed', left: '-99999px', top: '0', visibility: 'hidden', contain: 'layout style' })
  bench.setAttribute('aria-hidden', 'true')
  document.body.append(bench)
  for (const part of score.parts) if (part.kind === 'line') layouts.set(part.id, layoutLine(part, score, bench))
  bench.remove()
  return layouts
}

function layoutLine(part: ResolvedLine, score: ResolvedScore, bench: HTMLElement): LineLayout {
  const probe = document.createElement('div')
  styleLine(probe, part)
  bench.append(probe)
  const fitted = fitLine(
    { pieces: part.pieces, sizePx: part.sizePx, floorPx: part.floorPx, maxWidthPx: lineRoomPx(part, score.canvas) },
    (pieces, sizePx) => {
      probe.style.fontSize = `${sizePx}px`
      probe.replaceChildren(...lineNodes(pieces, part.highlightInk))
      return probe.getBoundingClientRect().width
    },
  )
  probe.remove()
  const { pieces, sizePx, widthPx, isCut } = fitted
  return { pieces, sizePx, widthPx, isCut, heightPx: pieces.length > 0 ? sizePx * lineHeightRatio : 0 }
}
