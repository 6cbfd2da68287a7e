<script setup lang="ts">
import { computed, onMounted, ref, toRef } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { safeAreaRatio } from '../../../core/edit/snap.ts'
import { cornersOf } from '../../../core/score/hitTest.ts'
import type { SceneState } from '../../../core/score/sceneState.ts'
import { useCanvasScale } from '../../composables/useCanvasScale.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useStageDrag } from './useStageDrag.ts'

const props = defineProps<{ canvas: Canvas; scene: SceneState; isPlaying: boolean; isLoading: boolean; canEdit: boolean; fault: string | null }>()
const emit = defineEmits<{ host: [element: HTMLElement]; step: [frames: number] }>()

const draft = useDraftStore()
const room = useScoreRoomStore()
const area = ref<HTMLElement>()
const host = ref<HTMLElement>()
const surface = ref<HTMLElement>()
const { scale, size } = useCanvasScale(area, toRef(props, 'canvas'))
const drag = useStageDrag({ surface, scale, canvas: toRef(props, 'canvas'), scene: toRef(props, 'scene'), canEdit: toRef(props, 'canEdit') })

onMounted(() => host.value && emit('host', host.value))

const selected = computed(() => props.scene.visuals.find((visual) => visual.partId === room.partId) ?? null)
const outline = computed(() => (selected.value ? cornersOf(selected.value).map((corner) => `${corner.xPx},${corner.yPx}`).join(' ') : ''))
const safe = computed(() => ({
  x: props.canvas.widthPx * safeAreaRatio,
  y: props.canvas.heightPx * safeAreaRatio,
  width: props.canvas.widthPx * (1 - 2 * safeAreaRatio),
  height: props.canvas.heightPx * (1 - 2 * safeAreaRatio),
}))
const hasParts = computed(() => (room.variation?.composition.parts.length ?? 0) > 0)

/** With a part selected arrows nudge it (Shift: ten pixels); else they step frames. */
function onKey(event: KeyboardEvent): void {
  const direction = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!direction) {
    if (event.key === 'Escape') room.partId = null
    return
  }
  event.preventDefault()
  const [x = 0, y = 0] = direction
  if (room.part && props.canEdit && drag.nudge(x * (event.shiftKey ? 10 : 1), y * (event.shiftKey ? 10 : 1))) return
  if (x !== 0) emit('step', x * (event.shiftKey ? 10 : 1))
}
</script>

<template>
  <div ref="area" class="grid min-h-0 min-w-0 place-items-center overflow-hidden">
    <div
      ref="surface"
      class="relative touch-none overflow-hidden bg-stage outline-1 outline-seam"
      :style="{ width: `${size.widthPx}px`, height: `${size.heightPx}px` }"
      tabindex="0"
      role="application"
      :aria-label="`Stage, ${canvas.widthPx} by ${canvas.heightPx}. Arrow keys nudge the selected part; without one they step frames.`"
      @pointerdown="drag.begin"
      @keydown="onKey"
    >
      <div ref="host" class="pointer-events-none absolute top-0 left-0 origin-top-left" :style="{ transform: `scale(${scale})` }" />
      <svg class="pointer-events-none absolute inset-0 size-full" :viewBox="`0 0 ${canvas.widthPx} ${canvas.heightPx}`" aria-hidden="true">
        <rect v-if="!isPlaying" v-bind="safe" class="fill-none stroke-[#5d7397]" stroke-dasharray="10 10" stroke-width="1" vector-effect="non-scaling-stroke" />
        <line v-if="drag.guideX.value !== null" :x1="drag.guideX.value" :x2="drag.guideX.value" y1="0" :y2="canvas.heightPx" class="stroke-bolt" stroke-width="1" vector-effect="non-scaling-stroke" />
        <line v-if="drag.guideY.value !== null" :y1="drag.guideY.value" :y2="drag.guideY.value" x1="0" :x2="canvas.widthPx" class="stroke-bolt" stroke-width="1" vector-effect="non-scaling-stroke" />
        <polygon v-if="outline && !isPlaying" :points="outline" class="fill-none stroke-sky" stroke-width="1.5" vector-effect="non-scaling-stroke" />
      </svg>
      <p v-if="fault" role="alert" class="absolute inset-x-4 top-4 rounded-sm bg-deep/90 p-2 text-center text-wrong">{{ fault }}</p>
      <p v-else-if="isLoading" class="absolute inset-x-0 top-4 text-center text-mist">Loading media…</p>
      <p v-else-if="!hasParts && draft.document" class="absolute inset-0 grid place-items-center text-mist">Nothing on the stage yet. Add a picture, words or a sound with the tools at the left.</p>
    </div>
  </div>
</template>
