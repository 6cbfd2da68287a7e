import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { changePart } from '../../../core/edit/changePart.ts'
import { snapDrag, type DraggedBox } from '../../../core/edit/snap.ts'
import { isVisiblePart, type VisiblePart } from '../../../core/parts/part.ts'
import { cornersOf, hitTest, type CanvasPoint } from '../../../core/score/hitTest.ts'
import type { SceneState } from '../../../core/score/sceneState.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

interface Setting {
  surface: Ref<HTMLElement | undefined>
  scale: Ref<number>
  canvas: Ref<Canvas>
  scene: Ref<SceneState>
  canEdit: Ref<boolean>
}

const snapReachOnScreenPx = 7

/** Selecting and moving parts on the stage. */
export function useStageDrag({ surface, scale, canvas, scene, canEdit }: Setting) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const guideX = ref<number | null>(null)
  const guideY = ref<number | null>(null)
  let dragged: { from: CanvasPoint; box: DraggedBox; part: VisiblePart; startX: number; startY: number } | null = null

  function pointOf(event: PointerEvent): CanvasPoint {
    const rect = surface.value?.getBoundingClientRect()
    return { xPx: (event.clientX - (rect?.left ?? 0)) / scale.value, yPx: (event.clientY - (rect?.top ?? 0)) / scale.value }
  }

  /** A plate that hugs others has no place of its own. */
  function movable(): VisiblePart | null {
    const { part } = room
    return part && isVisiblePart(part) && !(part.kind === 'backdrop' && part.hugs.length > 0) ? part : null
  }

  function begin(event: PointerEvent): void {
    const from = pointOf(event)
    room.partId = hitTest(scene.value, from)
    surface.value?.focus()
    const part = movable()
    const visual = scene.value.visuals.find((each) => each.partId === part?.id)
    if (!part || !visual || !canEdit.value) return
    const corners = cornersOf(visual)
    const xs = corners.map((corner) => corner.xPx)
    const ys = corners.map((corner) => corner.yPx)
    dragged = { from, part, startX: part.place.xPx, startY: part.place.yPx, box: { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) } }
    surface.value?.setPointerCapture(event.pointerId)
  }

  useEventListener(surface, 'pointermove', (event: PointerEvent) => {
    if (!dragged) return
    const { from, box, part, startX, startY } = dragged
    const to = pointOf(event)
    const reachPx = event.altKey ? 0 : snapReachOnScreenPx / scale.value
    const snapped = snapDrag(box, to.xPx - from.xPx, to.yPx - from.yPx, canvas.value, reachPx)
    guideX.value = snapped.guideX
    guideY.value = snapped.guideY
    move(part, startX + snapped.dxPx, startY + snapped.dyPx)
  })
  useEventListener(surface, ['pointerup', 'pointercancel'], () => {
    dragged = null
    guideX.value = null
    guideY.value = null
  })

  function move(part: VisiblePart, xPx: number, yPx: number): void {
    if (!room.address) return
    draft.edit(
      changePart(room.address, part.id, part.kind, `${part.name}: position`, (changed) => {
        changed.place.xPx = Math.round(xPx)
        changed.place.yPx = Math.round(yPx)
      }),
    )
  }

  /** Moves the selected part by some canvas pixels. @returns false when there is nothing to move. */
  function nudge(dxPx: number, dyPx: number): boolean {
    const part = movable()
    if (!part) return false
    move(part, part.place.xPx + dxPx, part.place.yPx + dyPx)
    return true
  }

  return { guideX, guideY, begin, nudge }
}
