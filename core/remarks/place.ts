import { areaOf, boxOfZone, safeArea, sharedArea, type CanvasBox } from '../composition/canvasBox.ts'
import { isSeenPart, isTextPart, type ResolvedTextPart } from '../score/resolved.ts'
import { isBounded } from '../score/shownKinds.ts'
import { motionScale } from '../score/standing.ts'
import { nameOf, type Remark, type RemarkContext } from './remark.ts'
import { restingBox } from './restingBox.ts'

/** The smallest text that is read on a phone held upright, in pixels on a canvas 1080 high. */
export const legibleSizePx = 24
/** So much of a part may be outside before it is said. */
const outsideTolerance = 0.02
/** A part that covers so much of the canvas is meant to fill it. */
const fillingRatio = 0.9
/** So much of a zone may be covered before it is said. */
const zoneTolerance = 0.04

/** Text that is smaller than can be read, and text that had to be cut. */
export function textSizeRemarks(context: RemarkContext): Remark[] {
  const { score, layouts } = context
  const leastPx = legibleSizePx * motionScale(score.canvas)
  return score.parts.flatMap((part): Remark[] => {
    const layout = layouts.get(part.id)
    if (!isTextPart(part) || !layout) return []
    const name = nameOf(context, part.id)
    const remarks: Remark[] = []
    if (layout.isCut) {
      const remedy =
        part.fit === 'wrap' ? null : { type: 'wrapText' as const, partId: part.id, label: 'Break it into lines' }
      remarks.push({
        type: 'textCut',
        partId: part.id,
        level: 'wrong',
        words: `“${name}” does not fit even at its smallest size; its end is cut to “…”.`,
        remedy,
      })
    }
    if (layout.lines.length > 0 && layout.sizePx < leastPx) {
      remarks.push({
        type: 'smallText',
        partId: part.id,
        level: 'wrong',
        words: `“${name}” is drawn ${Math.round(layout.sizePx)} px high; under ${Math.round(leastPx)} px it is not read on this canvas.`,
        remedy: remedyOfSize(part, layout.sizePx, leastPx),
      })
    }
    return remarks
  })
}

/** Text that was made small by hand is made larger; text that shrank to fit is broken into lines. */
function remedyOfSize(part: ResolvedTextPart, drawnPx: number, leastPx: number): Remark['remedy'] {
  if (part.sizePx < leastPx)
    return { type: 'setSize', partId: part.id, sizePx: Math.ceil(leastPx), label: `Make it ${Math.ceil(leastPx)} px` }
  return part.fit === 'shrink' && drawnPx < part.sizePx
    ? { type: 'wrapText', partId: part.id, label: 'Break it into lines' }
    : null
}

/** Parts that leave the canvas or the safe area, or cover what should stay clear. */
export function placeRemarks(context: RemarkContext): Remark[] {
  const { score, layouts, zones } = context
  const { widthPx, heightPx } = score.canvas
  const canvas: CanvasBox = { left: 0, top: 0, right: widthPx, bottom: heightPx }
  const safe = safeArea(score.canvas)
  return score.parts.flatMap((part): Remark[] => {
    if (!isSeenPart(part) || !isBounded(part)) return []
    const box = restingBox(score, layouts, part)
    if (!box) return []
    const name = nameOf(context, part.id)
    const fills = sharedArea(box, canvas) >= areaOf(canvas) * fillingRatio
    const remarks: Remark[] = []
    const outside = 1 - sharedArea(box, canvas) / areaOf(box)
    const isOutside = !fills && outside > outsideTolerance
    if (isOutside) {
      remarks.push({
        type: 'outsideCanvas',
        partId: part.id,
        level: 'wrong',
        words: `${Math.round(outside * 100)} % of “${name}” lie outside the canvas.`,
        remedy: moveInto(part.id, box, safe),
      })
    } else if (isTextPart(part) && !fills && 1 - sharedArea(box, safe) / areaOf(box) > outsideTolerance) {
      remarks.push({
        type: 'outsideSafeArea',
        partId: part.id,
        level: 'advice',
        words: `“${name}” comes closer to the edge than the safe area; some players cut there.`,
        remedy: moveInto(part.id, box, safe),
      })
    }
    for (const zone of zones) {
      if (zone.purpose === 'free') continue
      const zoneBox = boxOfZone(zone)
      if (sharedArea(box, zoneBox) > areaOf(zoneBox) * zoneTolerance) {
        remarks.push({
          type: 'overZone',
          partId: part.id,
          level: 'advice',
          words: `“${name}” stands over “${zone.name}”.`,
          remedy: moveOut(part.id, box, zoneBox, canvas),
        })
      }
    }
    return remarks
  })
}

/** The shortest way into the safe area; null where the part is larger than it. */
function moveInto(partId: string, box: CanvasBox, safe: CanvasBox): Remark['remedy'] {
  if (box.right - box.left > safe.right - safe.left || box.bottom - box.top > safe.bottom - safe.top) return null
  const dxPx = Math.max(0, safe.left - box.left) + Math.min(0, safe.right - box.right)
  const dyPx = Math.max(0, safe.top - box.top) + Math.min(0, safe.bottom - box.bottom)
  return { type: 'moveBy', partId, dxPx: Math.round(dxPx), dyPx: Math.round(dyPx), label: 'Move it inside' }
}

/** The shortest way off a zone that stays on the canvas; null where there is none. */
function moveOut(partId: string, box: CanvasBox, zone: CanvasBox, canvas: CanvasBox): Remark['remedy'] {
  const ways = [
    { dxPx: zone.left - box.right, dyPx: 0 },
    { dxPx: zone.right - box.left, dyPx: 0 },
    { dxPx: 0, dyPx: zone.top - box.bottom },
    { dxPx: 0, dyPx: zone.bottom - box.top },
  ].filter(
    ({ dxPx, dyPx }) =>
      box.left + dxPx >= canvas.left &&
      box.right + dxPx <= canvas.right &&
      box.top + dyPx >= canvas.top &&
      box.bottom + dyPx <= canvas.bottom,
  )
  const [way] = ways.sort((a, b) => Math.abs(a.dxPx + a.dyPx) - Math.abs(b.dxPx + b.dyPx))
  return way
    ? { type: 'moveBy', partId, dxPx: Math.round(way.dxPx), dyPx: Math.round(way.dyPx), label: 'Move it beside' }
    : null
}
