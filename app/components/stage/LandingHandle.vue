<script setup lang="ts">
import { Crosshair } from '@lucide/vue'
import { computed, ref } from 'vue'
import { changeParts } from '../../../core/edit/changeParts.ts'
import type { DrawPart } from '../../../core/score/parts/draw/schema.ts'
import type { VisualState } from '../../../core/score/sceneState.ts'
import { vHint } from '../../hints/hint.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

/** Where the prize of a draw lands: dragged, or moved by the arrows while it has the focus. */
const props = defineProps<{ part: DrawPart; visual: VisualState; scale: number }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const place = computed(() => {
  const [a, b, c, d, e, f] = props.visual.matrix
  const x = props.visual.widthPx / 2 + props.part.landing.xPx
  const y = props.visual.heightPx / 2 + props.part.landing.yPx
  return { left: `${(a * x + c * y + e) * props.scale}px`, top: `${(b * x + d * y + f) * props.scale}px` }
})
/** Where the pointer and the spot were when it was taken. */
const taken = ref<{ x: number; y: number; landing: DrawPart['landing'] } | null>(null)

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
  taken.value = { x: event.clientX, y: event.clientY, landing: { ...props.part.landing } }
}
/** By so much the pointer has moved along the part's own axes: a shelf may be turned. */
function drag(event: PointerEvent): void {
  if (!taken.value) return
  const [a, b, c, d] = props.visual.matrix
  const dx = (event.clientX - taken.value.x) / props.scale
  const dy = (event.clientY - taken.value.y) / props.scale
  const determinant = a * d - b * c || 1
  const { landing } = taken.value
  moveTo(landing.xPx + (d * dx - c * dy) / determinant, landing.yPx + (a * dy - b * dx) / determinant)
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
