<script setup lang="ts">
import { Crosshair } from '@lucide/vue'
import { computed, ref } from 'vue'
import { changeParts } from '../../../core/edit/changeParts.ts'
import type { DrawPart } from '../../../core/score/parts/draw/schema.ts'
import { pointOn, pointWithin, type CanvasPoint } from '../../../core/score/hitTest.ts'
import type { VisualState } from '../../../core/score/sceneState.ts'
import { vHint } from '../../hints/hint.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

/** Where the prize of a draw lands: dragged, or moved by the arrows while it has the focus. */
const props = defineProps<{ part: DrawPart; visual: VisualState; scale: number }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const place = computed(() => {
  const { matrix, widthPx, heightPx } = props.visual
  const { xPx, yPx } = pointOn(matrix, widthPx / 2 + props.part.landing.xPx, heightPx / 2 + props.part.landing.yPx)
  return { left: `${xPx * props.scale}px`, top: `${yPx * props.scale}px` }
})
/** How far the spot was from the pointer when it was taken, along the part's own axes: a shelf may be turned. */
const taken = ref<CanvasPoint | null>(null)
const pointerAt = ({ clientX, clientY }: PointerEvent) =>
  pointWithin(props.visual.matrix, { xPx: clientX / props.scale, yPx: clientY / props.scale })

function moveTo(xPx: number, yPx: number): void {
  if (!room.address) return
  draft.edit(
    changeParts(room.address, [props.part.id], 'draw', `${props.part.name}: where the prize lands`, (changed) => {
      changed.landing.xPx = Math.round(Math.max(-8000, Math.min(8000, xPx)))
      changed.landing.yPx = Math.round(Math.max(-8000, Math.min(8000, yPx)))
    }),
  )
}
function take(event: PointerEvent): void {
  event.stopPropagation()
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  const { landing } = props.part
  const at = pointerAt(event)
  taken.value = at && { xPx: landing.xPx - at.xPx, yPx: landing.yPx - at.yPx }
}
function drag(event: PointerEvent): void {
  const at = pointerAt(event)
  if (taken.value && at) moveTo(taken.value.xPx + at.xPx, taken.value.yPx + at.yPx)
}
const arrows: Record<string, readonly [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function nudge(event: KeyboardEvent): void {
  const arrow = arrows[event.key]
  if (!arrow) return
  event.preventDefault()
  event.stopPropagation()
  const step = event.shiftKey ? 10 : 1
  moveTo(props.part.landing.xPx + arrow[0] * step, props.part.landing.yPx + arrow[1] * step)
}
</script>

<template>
  <button
    v-hint="'Where the prize lands'"
    type="button"
    class="absolute grid size-6 -translate-x-1/2 -translate-y-1/2 cursor-move place-items-center rounded-full border border-sky bg-night/70 text-sky"
    :style="place"
    :aria-label="`Where the prize of ${part.name} lands: ${part.landing.xPx} to the right of its middle, ${part.landing.yPx} below`"
    @pointerdown="take"
    @pointermove="drag"
    @pointerup="taken = null"
    @pointercancel="taken = null"
    @keydown="nudge"
  >
    <Crosshair :size="14" aria-hidden="true" />
  </button>
</template>
