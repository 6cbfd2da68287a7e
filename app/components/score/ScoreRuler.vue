<script setup lang="ts">
import { computed, ref } from 'vue'
import { rulerTicks } from '../../../core/score/rows.ts'
import type { LoopRange } from '../../composables/useStage.ts'
import { seconds } from '../../format/time.ts'
import type { TimeScale } from './timeScale.ts'

/** The time line: drag it to move the playhead, with Shift to mark a stretch that plays again and again. */
const props = defineProps<{ lengthMs: number; tMs: number; scale: TimeScale; framesPerSecond: number }>()
const emit = defineEmits<{ seek: [tMs: number] }>()
const loop = defineModel<LoopRange | null>('loop', { required: true })

const ticks = computed(() => rulerTicks(props.lengthMs))
const doing = ref<'scrub' | 'mark' | null>(null)
let markedFromMs = 0
const leastLoopMs = 120

function msAt(event: PointerEvent): number {
  const rect = (event.currentTarget as HTMLElement).getBoundingClientRect()
  return Math.min(
    props.lengthMs,
    Math.max(0, Math.round(((event.clientX - rect.left) / rect.width) * props.scale.spanMs)),
  )
}
function begin(event: PointerEvent): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  doing.value = event.shiftKey ? 'mark' : 'scrub'
  if (event.shiftKey) {
    markedFromMs = msAt(event)
    loop.value = null
  } else emit('seek', msAt(event))
}
function drag(event: PointerEvent): void {
  if (doing.value === 'scrub') emit('seek', msAt(event))
  else if (doing.value === 'mark') {
    const toMs = msAt(event)
    const range = { fromMs: Math.min(markedFromMs, toMs), toMs: Math.max(markedFromMs, toMs) }
    loop.value = range.toMs - range.fromMs >= leastLoopMs ? range : null
  }
}
function onKey(event: KeyboardEvent): void {
  const frameMs = 1000 / props.framesPerSecond
  const stepMs = { ArrowLeft: -frameMs, ArrowRight: frameMs, PageDown: -500, PageUp: 500 }[event.key]
  if (event.key === 'Home') emit('seek', 0)
  else if (event.key === 'End') emit('seek', props.lengthMs)
  else if (stepMs) emit('seek', Math.round(props.tMs + stepMs))
  else return
  event.preventDefault()
}
</script>

<template>
  <div
    class="h-6 cursor-ew-resize touch-none border-b border-seam bg-ridge -outline-offset-2"
    role="slider"
    tabindex="0"
    aria-label="Playhead"
    aria-valuemin="0"
    :aria-valuemax="lengthMs"
    :aria-valuenow="tMs"
    :aria-valuetext="`${seconds(tMs)} seconds`"
    title="Drag to look at another moment; Shift and drag marks a loop"
    @pointerdown="begin"
    @pointermove="drag"
    @pointerup="doing = null"
    @keydown="onKey"
  >
    <span
      v-if="loop"
      class="pointer-events-none absolute inset-y-0 border-x border-bolt bg-bolt/20"
      :style="{ left: scale.at(loop.fromMs), width: scale.at(loop.toMs - loop.fromMs) }"
    />
    <span
      v-for="tick in ticks"
      :key="tick.atMs"
      class="pointer-events-none absolute top-1 font-mono text-2xs text-mist"
      :class="tick.atMs === 0 ? 'pl-1' : '-translate-x-1/2'"
      :style="{ left: scale.at(tick.atMs) }"
      >{{ tick.label }}</span
    >
    <span
      class="pointer-events-none absolute top-0.5 z-10 -translate-x-1/2 rounded-xs bg-bolt px-1 font-mono text-2xs font-semibold text-char"
      :style="{ left: `max(1.1rem, ${scale.at(tMs)})` }"
      >{{ seconds(tMs) }}</span
    >
  </div>
</template>
