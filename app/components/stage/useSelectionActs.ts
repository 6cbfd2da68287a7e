import { computed } from 'vue'
import { arrange } from '../../../core/arrange/arrange.ts'
import type { LayoutName } from '../../../core/arrange/layouts.ts'
import { addPart } from '../../../core/edit/addPart.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { groupParts, ungroupParts } from '../../../core/edit/groupParts.ts'
import { orderParts, type OrderStep } from '../../../core/edit/orderParts.ts'
import { removeParts } from '../../../core/edit/removeParts.ts'
import { middleOf } from '../../../core/edit/resizeBox.ts'
import { originRatio } from '../../../core/composition/originRatio.ts'
import { isTextPart, isVisiblePart, type Part } from '../../../core/score/parts/part.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { isPlaced } from './stageGeometry.ts'

/** The side at a ratio of a length: one of its ends, else its middle. */
function sideAt<Side extends string>(ratio: number, first: Side, last: Side): Side | 'centre' {
  if (ratio === 0) return first
  return ratio === 1 ? last : 'centre'
}

/** Edits of whatever is selected, for buttons, keys and the command palette alike. */
export function useSelectionActs() {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const isOff = (part: Part) => (isVisiblePart(part) ? part.isHidden : part.isMuted)
  const onSelected = (what: string, recipe: (part: Part) => void) =>
    void (room.address && room.partIds.length > 0 && draft.edit(editParts(room.address, room.partIds, what, recipe)))

  /** Puts the middle of each part on the canvas's. Text holds by its origin, which is moved to its middle. */
  function centre(axis: 'x' | 'y'): void {
    const canvas = draft.document?.canvas
    if (!canvas) return
    onSelected(axis === 'x' ? 'centre left to right' : 'centre top to bottom', (part) => {
      if (!isPlaced(part)) return
      const { place } = part
      const ratio = originRatio[place.origin]
      if (isTextPart(part)) {
        if (axis === 'x')
          part.place = {
            ...place,
            xPx: canvas.widthPx / 2,
            origin: sideAt(ratio.y, 'top', 'bottom'),
          }
        else
          part.place = {
            ...place,
            yPx: canvas.heightPx / 2,
            origin: sideAt(ratio.x, 'left', 'right'),
          }
        return
      }
      const middle =
        'widthPx' in part ? middleOf({ place, widthPx: part.widthPx, heightPx: part.heightPx, rotationDeg: 0 }) : place
      if (axis === 'x') part.place.xPx = Math.round(place.xPx + canvas.widthPx / 2 - middle.xPx)
      else part.place.yPx = Math.round(place.yPx + canvas.heightPx / 2 - middle.yPx)
    })
  }

  /** Puts a part into the variation. @returns whether it could be */
  const add = (part: Part): boolean => room.address !== null && draft.edit(addPart(room.address, part))

  function lay(layout: LayoutName, isMirrored: boolean): void {
    if (room.address && draft.document)
      draft.edit(arrange(room.address, layout, draft.document.canvas, draft.document.zones, isMirrored))
  }

  const areOff = computed(() => room.selected.length > 0 && room.selected.every(isOff))
  const areLocked = computed(() => room.selected.length > 0 && room.selected.every((part) => part.isLocked))
  return {
    isGrouped: computed(() => room.selected.some((part) => isVisiblePart(part) && part.groupId !== null)),
    isLocked: areLocked,
    isOff: areOff,
    centre,
    add,
    lay,
    order: (step: OrderStep) => void (room.address && draft.edit(orderParts(room.address, room.partIds, step))),
    group: () =>
      void (
        room.address &&
        room.composition &&
        room.partIds.length > 1 &&
        draft.edit(groupParts(room.address, room.composition, room.partIds))
      ),
    ungroup: () =>
      void (room.address && room.composition && draft.edit(ungroupParts(room.address, room.composition, room.partIds))),
    toggleLock(): void {
      const isLocked = !areLocked.value
      onSelected(isLocked ? 'lock' : 'unlock', (part) => void (part.isLocked = isLocked))
    },
    toggleHidden(): void {
      const off = !areOff.value
      onSelected(off ? 'hide' : 'show', (part) => {
        if (isVisiblePart(part)) part.isHidden = off
        else part.isMuted = off
      })
    },
    remove(): void {
      if (!room.address || room.partIds.length === 0) return
      draft.edit(removeParts(room.address, room.partIds))
      room.select(null)
    },
    selectAll: () => void (room.partIds = room.parts.map((part) => part.id)),
  }
}
