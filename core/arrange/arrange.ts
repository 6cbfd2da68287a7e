import type { Canvas } from '../composition/canvas.ts'
import type { CanvasBox } from '../composition/canvasBox.ts'
import type { Composition } from '../composition/schema.ts'
import type { Zone } from '../composition/zone.ts'
import type { Edit } from '../edit/change.ts'
import { findVariation, type VariationAddress } from '../edit/findVariation.ts'
import type { MotionName, Phase, StyledPhase } from '../motion/schema.ts'
import { ownPhase } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import { isTextPart, type PartOf, type TextPart } from '../score/parts/part.ts'
import { usualHeightPx } from '../text/usualSize.ts'
import { layoutPlans, type LayoutName, type LayoutPlan, type Slot } from './layouts.ts'
import { roomFor } from './roomFor.ts'

/** Words keep this distance between their lines, in font sizes. */
const lineGapEm = 0.35

/**
 * Arranges what a variation has: its first picture and its texts go to their places in the layout, with a motion that
 * suits it, and the words wait for the picture. Nothing is added, replaced or lost; what has a file keeps it, sounds
 * and particles are left alone, locked parts stay. Zones that are not free are avoided.
 * @param isMirrored left and right change places, for a camera on the other side
 */
export function arrange(
  address: VariationAddress,
  layout: LayoutName,
  canvas: Canvas,
  zones: readonly Zone[],
  isMirrored: boolean,
): Edit {
  return {
    label: `layout: ${layout}${isMirrored ? ', mirrored' : ''}`,
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (composition) arrangeParts(composition, layout, canvas, zones, isMirrored, draft.look)
    },
  }
}

function arrangeParts(
  composition: Composition,
  layout: LayoutName,
  canvas: Canvas,
  zones: readonly Zone[],
  isMirrored: boolean,
  look: Look,
): void {
  const plan = isMirrored ? mirrored(layoutPlans[layout]) : layoutPlans[layout]
  const isWhole = plan.fillsSlot
  const room = isWhole ? { left: 0, top: 0, right: canvas.widthPx, bottom: canvas.heightPx } : roomFor(canvas, zones)
  const picture = composition.parts.find(
    (part): part is PartOf<'picture'> => part.kind === 'picture' && !part.isHidden && !part.isLocked,
  )
  const texts = composition.parts.filter(
    (part): part is TextPart => isTextPart(part) && part.kind !== 'ticker' && !part.isHidden && !part.isLocked,
  )
  if (picture) placePicture(picture, boxOf(plan.picture, room), plan, isMirrored, look)
  const wordsRoom = isWhole ? roomFor(canvas, zones) : room
  placeTexts(texts, boxOf(plan.words, wordsRoom), plan, look)
  if (picture && layout !== 'fullScreen')
    for (const text of texts.slice(0, 1))
      if (text.clip.start.at.startsWith('score.')) text.clip.start = { at: `${picture.id}.entered`, offsetMs: 0 }
  if (picture && (layout === 'behind' || isWhole)) toBack(composition, picture.id)
}

function boxOf(slot: Slot, room: CanvasBox): CanvasBox {
  const width = room.right - room.left
  const height = room.bottom - room.top
  return {
    left: room.left + slot.x * width,
    top: room.top + slot.y * height,
    right: room.left + (slot.x + slot.width) * width,
    bottom: room.top + (slot.y + slot.height) * height,
  }
}

function placePicture(
  picture: PartOf<'picture'>,
  box: CanvasBox,
  plan: LayoutPlan,
  isMirrored: boolean,
  look: Look,
): void {
  const width = box.right - box.left
  const height = box.bottom - box.top
  const shape = picture.widthPx / picture.heightPx
  picture.place = {
    xPx: Math.round((box.left + box.right) / 2),
    yPx: Math.round((box.top + box.bottom) / 2),
    origin: 'centre',
  }
  picture.widthPx = Math.round(plan.fillsSlot ? width : Math.min(width, height * shape))
  picture.heightPx = Math.round(plan.fillsSlot ? height : Math.min(height, width / shape))
  picture.fit = plan.fillsSlot ? 'cover' : 'contain'
  picture.rotationDeg = 0
  picture.isMirrored = isMirrored
  picture.motion.entrance = entering(picture.motion.entrance, plan.pictureEnters, look)
}

/** Lines one under the other, in their order from top to bottom, together in the middle of their slot. */
function placeTexts(texts: readonly TextPart[], box: CanvasBox, plan: LayoutPlan, look: Look): void {
  const ordered = [...texts].sort((a, b) => a.place.yPx - b.place.yPx)
  const gapOf = (text: TextPart) => text.sizePx * lineGapEm
  const wantedPx = ordered.reduce((sum, text, index) => sum + usualHeightPx(text) + (index > 0 ? gapOf(text) : 0), 0)
  const scale = Math.min(1, (box.bottom - box.top) / Math.max(1, wantedPx))
  const xPx = { start: box.left, middle: (box.left + box.right) / 2, end: box.right }[plan.align]
  const origin = { start: 'left', middle: 'centre', end: 'right' }[plan.align] as 'left' | 'centre' | 'right'
  let top = (box.top + box.bottom) / 2 - (wantedPx * scale) / 2
  for (const [index, text] of ordered.entries()) {
    text.sizePx = Math.max(8, Math.round(text.sizePx * scale))
    text.floorPx = Math.min(text.floorPx, text.sizePx)
    if (index > 0) top += gapOf(text)
    const height = usualHeightPx(text)
    text.place = { xPx: Math.round(xPx), yPx: Math.round(top + height / 2), origin }
    text.align = plan.align
    text.maxWidthPx = Math.round(box.right - box.left)
    text.rotationDeg = 0
    text.motion.entrance = entering(text.motion.entrance, plan.wordsEnter, look)
    top += height
  }
}

/** The way that suits the layout, in the time that it took. */
const entering = (before: StyledPhase, motion: MotionName, look: Look): Phase => ({ ...ownPhase(before, look), motion })

function toBack(composition: Composition, partId: string): void {
  const picture = composition.parts.find((part) => part.id === partId)
  if (picture) composition.parts = [picture, ...composition.parts.filter((part) => part.id !== partId)]
}

const opposite = {
  slideLeft: 'slideRight',
  slideRight: 'slideLeft',
  fromLeft: 'fromRight',
  fromRight: 'fromLeft',
} as const

function mirrored(plan: LayoutPlan): LayoutPlan {
  const turn = (slot: Slot): Slot => ({ ...slot, x: 1 - slot.x - slot.width })
  return {
    ...plan,
    picture: turn(plan.picture),
    words: turn(plan.words),
    align: ({ start: 'end', middle: 'middle', end: 'start' } as const)[plan.align],
    pictureEnters:
      plan.pictureEnters in opposite ? opposite[plan.pictureEnters as 'slideLeft' | 'slideRight'] : plan.pictureEnters,
    wordsEnter: plan.wordsEnter in opposite ? opposite[plan.wordsEnter as 'fromLeft' | 'fromRight'] : plan.wordsEnter,
  }
}
