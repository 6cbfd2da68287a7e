<script setup lang="ts">
import { computed, onMounted, ref, toRef } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { safeArea } from '../../../core/composition/canvasBox.ts'
import { isTextPart } from '../../../core/score/parts/part.ts'
import { cornersOf } from '../../../core/score/hitTest.ts'
import type { SceneState } from '../../../core/score/sceneState.ts'
import { useCanvasScale } from '../../composables/useCanvasScale.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import EmptyPlaces from './EmptyPlaces.vue'
import LandingHandle from './LandingHandle.vue'
import StageHandles from './StageHandles.vue'
import StageZoom from './StageZoom.vue'
import { boundsOf, isPlaced } from './stageGeometry.ts'
import { useStageDrop } from './useStageDrop.ts'
import { useStageGestures } from './useStageGestures.ts'
import ZoneLayer from './ZoneLayer.vue'

const props = defineProps<{
  canvas: Canvas
  scene: SceneState
  isPlaying: boolean
  isLoading: boolean
  canEdit: boolean
  fault: string | null
  sceneUrl: string | null
  sceneIsMoving: boolean
}>()
const emit = defineEmits<{ host: [element: HTMLElement]; step: [frames: number] }>()

const draft = useDraftStore()
const room = useScoreRoomStore()
const view = useRoomViewStore()
const area = ref<HTMLElement>()
const host = ref<HTMLElement>()
const surface = ref<HTMLElement>()
const { scale: fitScale } = useCanvasScale(area, toRef(props, 'canvas'))
const scale = computed(() => fitScale.value * view.zoom)
const size = computed(() => ({
  width: `${props.canvas.widthPx * scale.value}px`,
  height: `${props.canvas.heightPx * scale.value}px`,
}))
const gestures = useStageGestures({
  surface,
  scale,
  canvas: toRef(props, 'canvas'),
  scene: toRef(props, 'scene'),
  canEdit: toRef(props, 'canEdit'),
})

const drop = useStageDrop({
  surface,
  scale,
  canvas: toRef(props, 'canvas'),
  scene: toRef(props, 'scene'),
  canEdit: toRef(props, 'canEdit'),
})

onMounted(() => host.value && emit('host', host.value))

const drawn = computed(() =>
  props.isPlaying || view.panel === 'zones'
    ? []
    : props.scene.visuals.filter((visual) => room.partIds.includes(visual.partId)),
)
const outlines = computed(() =>
  drawn.value.map((visual) => ({
    id: visual.partId,
    points: cornersOf(visual)
      .map((corner) => `${corner.xPx},${corner.yPx}`)
      .join(' '),
  })),
)
const handled = computed(() =>
  props.canEdit && room.selected.length === 1 && room.part && isPlaced(room.part) ? (drawn.value[0] ?? null) : null,
)
const measured = computed(() =>
  drawn.value.length === 1 && drawn.value[0]
    ? `${Math.round(drawn.value[0].widthPx)} × ${Math.round(drawn.value[0].heightPx)}`
    : '',
)
const measuredAt = computed(() => {
  const box = drawn.value[0] && boundsOf(drawn.value[0])
  return box
    ? { left: `${Math.max(0, box.left * scale.value)}px`, top: `${Math.max(0, box.top * scale.value - 20)}px` }
    : {}
})
const safe = computed(() => {
  const { left, top, right, bottom } = safeArea(props.canvas)
  return { x: left, y: top, width: right - left, height: bottom - top }
})
const hasParts = computed(() => room.parts.length > 0)

/** With parts selected arrows nudge them (Shift: ten pixels); else they step frames. */
function onKey(event: KeyboardEvent): void {
  const direction = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!direction || event.ctrlKey || event.metaKey || event.altKey) {
    if (event.key === 'Escape') room.select(null)
    return
  }
  event.preventDefault()
  const [x = 0, y = 0] = direction
  if (gestures.nudge(x * (event.shiftKey ? 10 : 1), y * (event.shiftKey ? 10 : 1))) return
  if (x !== 0) emit('step', x * (event.shiftKey ? 10 : 1))
}
function onWheel(event: WheelEvent): void {
  if (!event.ctrlKey) return
  event.preventDefault()
  view.zoomBy(event.deltaY < 0 ? 1.15 : 1 / 1.15)
}
</script>

<template>
  <div class="relative min-h-0 min-w-0">
    <div
      ref="area"
      class="absolute inset-0 grid overflow-auto"
      :class="view.zoom > 1 ? '' : 'place-items-center overflow-hidden'"
      @wheel="onWheel"
    >
      <div
        ref="surface"
        class="relative touch-none overflow-hidden bg-stage outline-1 outline-seam"
        :style="size"
        tabindex="0"
        role="application"
        data-stage
        :aria-label="`Stage, ${canvas.widthPx} by ${canvas.heightPx}. Arrow keys nudge the selected parts; without any they step frames.`"
        @pointerdown="gestures.begin"
        @keydown="onKey"
      >
        <component
          :is="sceneIsMoving ? 'video' : 'img'"
          v-if="sceneUrl && view.showsScene"
          :src="sceneUrl"
          alt=""
          class="pointer-events-none absolute inset-0 size-full object-cover"
          v-bind="sceneIsMoving ? { autoplay: true, loop: true, muted: true, playsinline: true } : {}"
        />
        <div
          ref="host"
          class="pointer-events-none absolute top-0 left-0 origin-top-left"
          :style="{ transform: `scale(${scale})` }"
        />
        <ZoneLayer
          v-if="draft.document && !isPlaying"
          :zones="draft.document.zones"
          :scale="scale"
          :is-editing="view.panel === 'zones' && canEdit"
        />
        <svg
          class="pointer-events-none absolute inset-0 size-full"
          :viewBox="`0 0 ${canvas.widthPx} ${canvas.heightPx}`"
          aria-hidden="true"
        >
          <rect
            v-if="!isPlaying"
            v-bind="safe"
            class="fill-none stroke-[#5d7397]"
            stroke-dasharray="10 10"
            stroke-width="1"
            vector-effect="non-scaling-stroke"
          />
          <line
            v-if="gestures.guideX.value !== null"
            :x1="gestures.guideX.value"
            :x2="gestures.guideX.value"
            y1="0"
            :y2="canvas.heightPx"
            class="stroke-bolt"
            stroke-width="1"
            vector-effect="non-scaling-stroke"
          />
          <line
            v-if="gestures.guideY.value !== null"
            :y1="gestures.guideY.value"
            :y2="gestures.guideY.value"
            x1="0"
            :x2="canvas.widthPx"
            class="stroke-bolt"
            stroke-width="1"
            vector-effect="non-scaling-stroke"
          />
          <polygon
            v-for="outline in outlines"
            :key="outline.id"
            :points="outline.points"
            class="fill-none stroke-sky"
            stroke-width="1.5"
            vector-effect="non-scaling-stroke"
          />
          <rect
            v-if="gestures.frame.value"
            :x="gestures.frame.value.left"
            :y="gestures.frame.value.top"
            :width="gestures.frame.value.right - gestures.frame.value.left"
            :height="gestures.frame.value.bottom - gestures.frame.value.top"
            class="fill-sky/15 stroke-sky"
            stroke-width="1"
            vector-effect="non-scaling-stroke"
          />
        </svg>
        <EmptyPlaces v-if="canEdit && !isPlaying && view.panel !== 'zones'" :scene="scene" :scale="scale" />
        <StageHandles
          v-if="handled"
          :visual="handled"
          :scale="scale"
          :stage-width-px="canvas.widthPx * scale"
          :is-text="room.part !== null && isTextPart(room.part)"
          @begin="gestures.beginHandle"
        />
        <LandingHandle
          v-if="handled && canEdit && room.part?.kind === 'draw'"
          :part="room.part"
          :visual="handled"
          :scale="scale"
        />
        <span
          v-if="measured && handled"
          class="pointer-events-none absolute rounded-xs bg-sky px-1 font-mono text-2xs text-ink"
          :style="measuredAt"
          >{{ measured }}</span
        >
        <p v-if="fault" role="alert" class="absolute inset-x-4 top-4 rounded-sm bg-deep/90 p-2 text-center text-wrong">
          {{ fault }}
        </p>
        <p v-else-if="isLoading" class="absolute inset-x-0 top-4 text-center text-mist">Loading media…</p>
        <p v-else-if="!hasParts && draft.document" class="absolute inset-0 grid place-items-center text-mist">
          Nothing on the stage yet. Add a picture, words or a sound with the tools at the left.
        </p>
        <p
          v-if="view.panel === 'zones'"
          class="pointer-events-none absolute inset-x-0 top-2 z-20 text-center text-snow"
        >
          <span class="rounded-sm bg-deep/90 px-2 py-1"
            >Draw where the camera, the chat or the game is. Layouts keep clear of it.</span
          >
        </p>
      </div>
    </div>
    <p
      v-if="drop.isOver.value"
      class="pointer-events-none absolute inset-0 z-20 grid place-items-center rounded-sm border-2 border-dashed border-sky bg-night/70 font-display text-lg text-snow"
    >
      Drop it where it belongs: a picture, a video or a sound
    </p>
    <StageZoom class="absolute right-1 bottom-1" :shown-percent="Math.round(scale * 100)" />
  </div>
</template>
