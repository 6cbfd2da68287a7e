import { useEventListener } from '@vueuse/core'
import { ref, shallowRef, type Ref } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { boxOfZone, type CanvasBox } from '../../../core/composition/canvasBox.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { resizeBox, turnTowards, type Grip, type StageBox } from '../../../core/edit/resizeBox.ts'
import { snapDrag } from '../../../core/edit/snap.ts'
import { isTextPart, isVisiblePart, type VisiblePart } from '../../../core/score/parts/part.ts'
import { hitTest, type CanvasPoint } from '../../../core/score/hitTest.ts'
import { isBounded } from '../../../core/score/shownKinds.ts'
import type { SceneState } from '../../../core/score/sceneState.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { applyBox, around, boundsOf, drawnBox, isPlaced, restBox } from './stageGeometry.ts'

interface Setting {
  surface: Ref<HTMLElement | undefined>
  scale: Ref<number>
  canvas: Ref<Canvas>
  scene: Ref<SceneState>
  canEdit: Ref<boolean>
}

/** What the pointer is doing: moving parts, pulling a handle, turning a part, or drawing a frame around some. */
type Gesture =
  | { doing: 'move'; from: CanvasPoint; box: CanvasBox; starts: Map<string, CanvasPoint>; others: CanvasBox[] }
  | { doing: 'resize'; from: CanvasPoint; part: VisiblePart; box: StageBox; grip: Grip; sizePx: number }
  | { doing: 'turn'; part: VisiblePart; box: StageBox }
  | { doing: 'frame'; from: CanvasPoint; kept: string[] }

const snapReachOnScreenPx = 7

/** Selecting, moving, resizing and turning parts on the stage. */
export function useStageGestures({ surface, scale, canvas, scene, canEdit }: Setting) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const guideX = ref<number | null>(null)
  const guideY = ref<number | null>(null)
  const frame = shallowRef<CanvasBox | null>(null)
  let gesture: Gesture | null = null

  function pointOf(event: PointerEvent): CanvasPoint {
    const rect = surface.value?.getBoundingClientRect()
    return {
      xPx: (event.clientX - (rect?.left ?? 0)) / scale.value,
      yPx: (event.clientY - (rect?.top ?? 0)) / scale.value,
    }
  }

  const movable = () => (canEdit.value ? room.selected.filter(isPlaced) : [])

  function begin(event: PointerEvent): void {
    if (event.button !== 0) return
    const from = pointOf(event)
    const hit = hitTest(scene.value, from)
    surface.value?.focus({ preventScroll: true })
    surface.value?.setPointerCapture(event.pointerId)
    const adds = event.shiftKey || event.ctrlKey || event.metaKey
    if (hit === null) {
      if (!adds) room.select(null)
      gesture = { doing: 'frame', from, kept: room.partIds }
      return
    }
    if (adds) room.select(hit, true)
    else if (!room.partIds.includes(hit)) room.select(hit)
    const parts = movable()
    const box = around(parts.flatMap((part) => drawnBox(scene.value, part.id) ?? []))
    if (adds || !box) return
    const moved = parts.map((part) => part.id)
    const others = scene.value.visuals
      .filter((visual) => !moved.includes(visual.partId) && visual.kind !== 'particles')
      .map(boundsOf)
    const zones = draft.document?.zones.map(boxOfZone) ?? []
    gesture = {
      doing: 'move',
      from,
      box,
      starts: new Map(parts.map((part) => [part.id, { xPx: part.place.xPx, yPx: part.place.yPx }])),
      others: [...others, ...zones],
    }
  }

  function beginHandle(event: PointerEvent, grip: Grip | 'turn'): void {
    const { part } = room
    const visual = scene.value.visuals.find((each) => each.partId === part?.id)
    if (!part || !visual || !isPlaced(part) || !canEdit.value) return
    event.stopPropagation()
    surface.value?.setPointerCapture(event.pointerId)
    const box = restBox(part, visual)
    gesture =
      grip === 'turn'
        ? { doing: 'turn', part, box }
        : {
            doing: 'resize',
            from: pointOf(event),
            part,
            box,
            grip,
            sizePx: isTextPart(part) ? (visual.heightPx / box.heightPx) * part.sizePx : 0,
          }
  }

  function drag(event: PointerEvent): void {
    if (!gesture || !room.address) return
    const to = pointOf(event)
    switch (gesture.doing) {
      case 'move': {
        const { from, box, starts, others } = gesture
        const reachPx = event.altKey ? 0 : snapReachOnScreenPx / scale.value
        const snapped = snapDrag(box, to.xPx - from.xPx, to.yPx - from.yPx, canvas.value, reachPx, others)
        guideX.value = snapped.guideX
        guideY.value = snapped.guideY
        move(starts, snapped.dxPx, snapped.dyPx)
        break
      }
      case 'resize': {
        const { from, part, box, grip, sizePx } = gesture
        const isText = isTextPart(part)
        const isCorner = grip.x !== 0 && grip.y !== 0
        const next = resizeBox(
          box,
          grip,
          to.xPx - from.xPx,
          to.yPx - from.yPx,
          isCorner && (isText || event.shiftKey !== (part.kind === 'picture')),
        )
        draft.edit(
          editParts(room.address, [part.id], `${part.name}: size`, (changed) =>
            applyBox(changed, box, next, grip, sizePx),
          ),
        )
        break
      }
      case 'turn': {
        const { part, box } = gesture
        const rotationDeg = turnTowards(box, to.xPx, to.yPx, !event.altKey)
        draft.edit(
          editParts(
            room.address,
            [part.id],
            `${part.name}: turned`,
            (changed) => void (isVisiblePart(changed) && (changed.rotationDeg = rotationDeg)),
          ),
        )
        break
      }
      case 'frame': {
        const { from, kept } = gesture
        const box = {
          left: Math.min(from.xPx, to.xPx),
          right: Math.max(from.xPx, to.xPx),
          top: Math.min(from.yPx, to.yPx),
          bottom: Math.max(from.yPx, to.yPx),
        }
        frame.value = box
        const within = scene.value.visuals
          .filter((visual) => isBounded(visual) && isInside(boundsOf(visual), box))
          .map((visual) => visual.partId)
        room.partIds = [...new Set([...kept, ...within])]
      }
    }
  }

  useEventListener(surface, 'pointermove', drag)
  useEventListener(surface, ['pointerup', 'pointercancel'], () => {
    gesture = null
    frame.value = null
    guideX.value = null
    guideY.value = null
  })

  function move(starts: ReadonlyMap<string, CanvasPoint>, dxPx: number, dyPx: number): void {
    if (!room.address) return
    const name = starts.size === 1 ? (room.part?.name ?? 'part') : `${starts.size} parts`
    draft.edit(
      editParts(room.address, [...starts.keys()], `${name}: position`, (part) => {
        const start = starts.get(part.id)
        if (!start || !isVisiblePart(part)) return
        part.place.xPx = Math.round(start.xPx + dxPx)
        part.place.yPx = Math.round(start.yPx + dyPx)
      }),
    )
  }

  /** Moves what is selected by some canvas pixels. @returns false when there is nothing to move. */
  function nudge(dxPx: number, dyPx: number): boolean {
    const parts = movable()
    if (parts.length === 0) return false
    move(new Map(parts.map((part) => [part.id, { xPx: part.place.xPx, yPx: part.place.yPx }])), dxPx, dyPx)
    return true
  }

  return { guideX, guideY, frame, begin, beginHandle, nudge }
}

function isInside(inner: CanvasBox, outer: CanvasBox): boolean {
  return (
    inner.left >= outer.left && inner.right <= outer.right && inner.top >= outer.top && inner.bottom <= outer.bottom
  )
}
