<script setup lang="ts">
import { Image, RectangleHorizontal, Type, Volume2 } from '@lucide/vue'
import { computed, ref, type Component } from 'vue'
import type { PartKind } from '../../../core/parts/part.ts'
import { rulerTicks, type ScoreRow } from '../../../core/score/rows.ts'
import { seconds } from '../../format/time.ts'

const props = defineProps<{ rows: readonly ScoreRow[]; lengthMs: number; tMs: number; selectedId: string | null }>()
const emit = defineEmits<{ seek: [tMs: number]; select: [partId: string] }>()

const icons: Record<PartKind, Component> = { picture: Image, line: Type, sound: Volume2, backdrop: RectangleHorizontal }
const rowHeightPx = 32
const field = ref<HTMLElement>()
const isScrubbing = ref(false)
const ticks = computed(() => rulerTicks(props.lengthMs))

/** A moment as a ratio of the lanes' width; a little room is left after the end. */
const spanMs = computed(() => Math.max(1, props.lengthMs) * 1.03)
const percent = (ms: number) => `${(ms / spanMs.value) * 100}%`
const share = (partMs: number, wholeMs: number) => `${wholeMs > 0 ? (partMs / wholeMs) * 100 : 0}%`

function scrub(event: PointerEvent): void {
  const rect = field.value?.getBoundingClientRect()
  if (!rect) return
  emit('seek', Math.round(((event.clientX - rect.left) / rect.width) * spanMs.value))
}
function begin(event: PointerEvent): void {
  isScrubbing.value = true
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  scrub(event)
}
function onKey(event: KeyboardEvent): void {
  const stepMs = { ArrowLeft: -17, ArrowRight: 17, PageDown: -500, PageUp: 500 }[event.key]
  if (event.key === 'Home') emit('seek', 0)
  else if (event.key === 'End') emit('seek', props.lengthMs)
  else if (stepMs) emit('seek', props.tMs + stepMs)
  else return
  event.preventDefault()
}
</script>

<template>
  <section class="grid min-h-0 grid-cols-[9.5rem_minmax(0,1fr)] overflow-y-auto border-t border-seam bg-ridge" aria-label="Score">
    <div class="sticky top-0 z-20 flex h-6 items-center border-r border-b border-seam bg-ridge px-4 text-mist">Score</div>
    <div
      class="sticky top-0 z-20 h-6 cursor-ew-resize touch-none border-b border-seam bg-ridge -outline-offset-2"
      role="slider"
      tabindex="0"
      aria-label="Playhead"
      aria-valuemin="0"
      :aria-valuemax="lengthMs"
      :aria-valuenow="tMs"
      :aria-valuetext="`${seconds(tMs)} seconds`"
      @pointerdown="begin"
      @pointermove="isScrubbing && scrub($event)"
      @pointerup="isScrubbing = false"
      @keydown="onKey"
    >
      <span v-for="tick in ticks" :key="tick.atMs" class="pointer-events-none absolute top-1 font-mono text-2xs text-mist" :class="tick.atMs === 0 ? 'pl-1' : '-translate-x-1/2'" :style="{ left: percent(tick.atMs) }">{{ tick.label }}</span>
      <span class="pointer-events-none absolute top-0.5 z-10 -translate-x-1/2 rounded-xs bg-bolt px-1 font-mono text-2xs font-semibold text-char" :style="{ left: `max(1.1rem, ${percent(tMs)})` }">{{ seconds(tMs) }}</span>
    </div>
    <div class="border-r border-seam">
      <button v-for="row in rows" :key="row.partId" type="button" class="flex w-full items-center gap-2 border-b border-seam px-4 text-left -outline-offset-2" :class="row.partId === selectedId ? 'bg-clip-dim text-snow' : 'text-snow/90 hover:bg-night/40'" :style="{ height: `${rowHeightPx}px` }" :aria-pressed="row.partId === selectedId" @click="emit('select', row.partId)">
        <component :is="icons[row.kind]" :size="14" class="shrink-0 text-mist" aria-hidden="true" /><span class="truncate">{{ row.name }}</span>
      </button>
    </div>
    <div ref="field" class="relative">
      <div v-for="tick in ticks" :key="tick.atMs" class="pointer-events-none absolute inset-y-0 w-px bg-seam/60" :style="{ left: percent(tick.atMs) }" />
      <div v-for="row in rows" :key="row.partId" class="relative border-b border-seam" :style="{ height: `${rowHeightPx}px` }">
        <button type="button" tabindex="-1" class="absolute inset-y-1 flex items-center overflow-hidden rounded-sm text-left" :class="[row.kind === 'sound' ? 'bg-moss/70 text-white' : 'bg-clip text-snow', row.partId === selectedId ? 'outline-2 outline-sky' : '']" :style="{ left: percent(row.startMs), width: percent(Math.max(row.endMs - row.startMs, 1)) }" :aria-label="`${row.name}, ${seconds(row.startMs)} to ${seconds(row.endMs)} seconds`" @click="emit('select', row.partId)">
          <span class="hatch absolute inset-y-0 left-0" :style="{ width: share(row.entranceMs, row.endMs - row.startMs) }" />
          <span class="hatch absolute inset-y-0 right-0" :style="{ width: share(row.exitMs, row.endMs - row.startMs) }" />
          <span class="relative truncate px-2" :style="{ marginLeft: share(row.entranceMs, row.endMs - row.startMs) }">{{ row.caption }}</span>
        </button>
      </div>
      <svg class="pointer-events-none absolute inset-0 size-full overflow-visible" aria-hidden="true">
        <template v-for="(row, index) in rows" :key="row.partId">
          <g v-if="row.tie" class="stroke-sky" fill="none" stroke-width="1.5">
            <line :x1="percent(row.tie.atMs)" :x2="percent(row.tie.atMs)" :y1="row.tie.row * rowHeightPx + rowHeightPx / 2" :y2="index * rowHeightPx + rowHeightPx / 2" />
            <line :x1="percent(row.tie.atMs)" :x2="percent(row.startMs)" :y1="index * rowHeightPx + rowHeightPx / 2" :y2="index * rowHeightPx + rowHeightPx / 2" />
            <circle :cx="percent(row.tie.atMs)" :cy="row.tie.row * rowHeightPx + rowHeightPx / 2" r="2.5" class="fill-sky" />
          </g>
        </template>
      </svg>
      <div class="pointer-events-none absolute inset-y-0 w-0.5 -translate-x-1/2 bg-bolt" :style="{ left: percent(tMs) }" />
    </div>
  </section>
</template>
