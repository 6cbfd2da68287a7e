import { boxAround, type CanvasBox } from '../../../core/composition/canvasBox.ts'
import type { StageBox } from '../../../core/edit/resizeBox.ts'
import { isTextPart, type Part, type VisiblePart, isVisiblePart } from '../../../core/score/parts/part.ts'
import { kindOfPart } from '../../../core/score/parts/partKinds.ts'
import { cornersOf } from '../../../core/score/hitTest.ts'
import type { SceneState, VisualState } from '../../../core/score/sceneState.ts'

/** Whether a part can be moved on the stage: it has a place of its own and is not locked. */
export function isPlaced(part: Part): part is VisiblePart {
  return hasOwnPlace(part) && !part.isLocked
}

/** Whether a part stands where its place says: a plate that hugs and particles over a zone do not. */
export function hasOwnPlace(part: Part): part is VisiblePart {
  return kindOfPart(part).hasOwnPlace(part)
}

/** The box around what was drawn of a part; null when it is not to be seen now. */
export function drawnBox(scene: SceneState, partId: string): CanvasBox | null {
  const visual = scene.visuals.find((each) => each.partId === partId)
  return visual ? boundsOf(visual) : null
}

export function boundsOf(visual: VisualState): CanvasBox {
  return boxAround(cornersOf(visual))
}

/** The smallest box around several; null for none. */
export function around(boxes: readonly CanvasBox[]): CanvasBox | null {
  if (boxes.length === 0) return null
  return boxAround(
    boxes.flatMap(({ left, top, right, bottom }) => [
      { xPx: left, yPx: top },
      { xPx: right, yPx: bottom },
    ]),
  )
}

/** A part's box at rest, without its motion: what handles pull at. Text has the size that it was fitted to. */
export function restBox(part: VisiblePart, visual: VisualState): StageBox {
  const { place, rotationDeg } = part
  const { widthPx, heightPx } = sizeAtRest(part, visual)
  return { place, rotationDeg, widthPx, heightPx }
}

function sizeAtRest(part: VisiblePart, visual: VisualState): { widthPx: number; heightPx: number } {
  if (!isTextPart(part)) return 'widthPx' in part ? part : visual
  return part.kind === 'ticker' ? { widthPx: part.widthPx, heightPx: visual.heightPx } : visual
}

/**
 * Gives a part the box that its handles were pulled to: text changes its size or its room, everything else its sides.
 */
export function applyBox(
  part: Part,
  from: StageBox,
  to: StageBox,
  pulls: { x: number; y: number },
  sizeFromPx: number,
): void {
  if (!isVisiblePart(part)) return
  part.place = to.place
  if (isTextPart(part)) {
    if (pulls.y !== 0) part.sizePx = Math.round(Math.min(600, Math.max(8, (sizeFromPx * to.heightPx) / from.heightPx)))
    else if (part.kind === 'ticker') part.widthPx = to.widthPx
    else part.maxWidthPx = Math.max(20, to.widthPx)
    part.floorPx = Math.min(part.floorPx, part.sizePx)
  } else if ('widthPx' in part) {
    part.widthPx = to.widthPx
    part.heightPx = to.heightPx
  }
}
