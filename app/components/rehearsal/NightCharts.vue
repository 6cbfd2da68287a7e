<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { timeWords } from '../../../core/queue/policyWords.ts'
import type { NightFigures } from '../../../core/rehearsal/figures.ts'
import { lengthWords } from '../../format/time.ts'
import { edgePx, rightPx } from './chartPlace.ts'
import type { SideFigures } from '../../workers/rehearsalTalk.ts'
import NightChart from './NightChart.vue'
import { atOnceMs } from './rehearsalWords.ts'
import { niceRange } from './niceRange.ts'
import { quietLufs, useNightSeries } from './useNightSeries.ts'

/** A night under two policies: what came, how much of the screen it took, how late each alert began; one time for all of it. */
const props = defineProps<{
  a: SideFigures
  b: SideFigures
  nameOfA: string
  /** What the draft allows alerts of a minute, from 0 to 1; null: all of it. */
  share: number | null
  /** The moment that is played; null: none is. */
  playedMs: number | null
  clock: (atMs: number) => string
}>()
const emit = defineEmits<{ look: [atMs: number] }>()

const whole = computed(() => ({
  min: props.b.fromMs,
  max: props.b.fromMs + Math.max(props.a.slots * props.a.slotMs, props.b.slots * props.b.slotMs),
}))
const zoom = ref<{ min: number; max: number } | null>(null)
watch(whole, () => (zoom.value = null))
const nice = computed(() => niceRange(zoom.value ?? whole.value))
const range = computed(() => ({ min: nice.value.min, max: nice.value.max }))

const { arrivals, screen, late, inLine, loudness, hasSound, most } = useNightSeries(props, range)
const lufsWords = (value: number) => `${Math.round(value + quietLufs)}`
const waitWords = (ms: number) => (ms === 0 ? '0' : timeWords(ms))
const slotWords = computed(() => timeWords(props.b.slotMs))

const area = useTemplateRef('area')
const { width: areaPx } = useElementSize(area)
const plot = computed(() => ({ leftPx: edgePx, widthPx: Math.max(1, areaPx.value - edgePx - rightPx) }))
const atMs = ref<number | null>(null)
const drag = ref<{ fromMs: number; toMs: number; fromPx: number } | null>(null)
const xOf = (ms: number) =>
  plot.value.leftPx + ((ms - range.value.min) / (range.value.max - range.value.min)) * plot.value.widthPx
function timeAt(event: PointerEvent): number {
  const left = area.value?.getBoundingClientRect().left ?? 0
  const share = (event.clientX - left - plot.value.leftPx) / plot.value.widthPx
  return range.value.min + Math.min(1, Math.max(0, share)) * (range.value.max - range.value.min)
}
function press(event: PointerEvent): void {
  if (event.button !== 0) return
  area.value?.setPointerCapture(event.pointerId)
  const ms = timeAt(event)
  drag.value = { fromMs: ms, toMs: ms, fromPx: event.clientX }
}
function point(event: PointerEvent): void {
  atMs.value = timeAt(event)
  if (drag.value) drag.value = { ...drag.value, toMs: atMs.value }
}
const dragPx = 5
const leastMs = 20_000
function release(event: PointerEvent): void {
  const dragged = drag.value
  drag.value = null
  if (!dragged) return
  if (Math.abs(event.clientX - dragged.fromPx) < dragPx) emit('look', timeAt(event))
  else zoomTo(Math.min(dragged.fromMs, dragged.toMs), Math.max(dragged.fromMs, dragged.toMs))
}
function zoomTo(min: number, max: number): void {
  const middle = (min + max) / 2
  const half = Math.max(leastMs, max - min) / 2
  zoom.value = { min: Math.max(whole.value.min, middle - half), max: Math.min(whole.value.max, middle + half) }
}
/** By keys: a step along the night, nearer or further, and what is there. */
function pressKey(event: KeyboardEvent): void {
  const { min, max } = range.value
  const here = atMs.value ?? props.b.busiest.fromMs
  const step = event.shiftKey ? (max - min) / 12 : props.b.slotMs
  const acts: Record<string, () => void> = {
    ArrowLeft: () => (atMs.value = Math.max(min, here - step)),
    ArrowRight: () => (atMs.value = Math.min(max, here + step)),
    Home: () => (atMs.value = min),
    End: () => (atMs.value = max),
    Enter: () => emit('look', here),
    '+': () => zoomTo(here - (max - min) / 4, here + (max - min) / 4),
    '-': () => (zoom.value = null),
    Escape: () => (zoom.value = null),
  }
  const act = acts[event.key]
  if (!act) return
  event.preventDefault()
  act()
}

/** What is to be said of the moment that is pointed at. */
const said = computed(() => {
  const ms = atMs.value
  if (ms === null) return null
  const slotOf = ({ fromMs, slotMs, slots }: NightFigures) =>
    Math.min(slots - 1, Math.max(0, Math.floor((ms - fromMs) / slotMs)))
  const slot = slotOf(props.b)
  const came = Object.values(props.b.arrivals).reduce((sum, of) => sum + (of[slot] ?? 0), 0)
  const lateIn = ({ late: dots, slotMs }: NightFigures) =>
    dots
      .filter((each) => Math.abs(each.atMs - ms) <= slotMs / 2)
      .reduce((most, { lateMs }) => Math.max(most, lateMs), 0)
  const side = (name: string, of: NightFigures) => {
    const lateMs = lateIn(of)
    const late = lateMs < atOnceMs ? 'nobody is late' : `up to ${lengthWords(lateMs)} late`
    return `${name}: ${late}, ${of.waiting[slotOf(of)] ?? 0} waiting`
  }
  return {
    head: `${props.clock(ms)} · ${came === 0 ? 'nothing came' : `${came} came`}`,
    a: side('A', props.a),
    b: side('B', props.b),
  }
})
const isRight = computed(() => atMs.value !== null && atMs.value > (range.value.min + range.value.max) / 2)
const percent = (value: number) => `${Math.round(value * 100)} %`
const number = (value: number) => String(Math.round(value))
</script>

<template>
  <div>
    <div
      ref="area"
      class="relative cursor-crosshair touch-none select-none"
      tabindex="0"
      role="slider"
      aria-label="A moment of the night"
      aria-describedby="night-keys"
      :aria-valuemin="Math.round(range.min)"
      :aria-valuemax="Math.round(range.max)"
      :aria-valuenow="Math.round(atMs ?? b.busiest.fromMs)"
      :aria-valuetext="said ? `${said.head}. ${said.a}. ${said.b}.` : clock(b.busiest.fromMs)"
      @pointerdown="press"
      @pointermove="point"
      @pointerup="release"
      @pointercancel="drag = null"
      @pointerleave="!drag && (atMs = null)"
      @keydown="pressKey"
    >
      <div
        v-for="tick in nice.ticks"
        :key="tick"
        class="pointer-events-none absolute top-8 bottom-5 w-px bg-seam/70"
        :style="{ left: `${xOf(tick)}px` }"
      />
      <p id="night-keys" class="sr-only">
        Arrow keys go along the night, with Shift in long steps. Plus goes nearer, Escape shows all of it, Enter says
        what came at this moment.
      </p>
      <NightChart
        title="Arrivals"
        :note="`each ${slotWords}, by what became of them in B`"
        :series="arrivals"
        :range="range"
        label="How much came, along the night, and what became of it"
        :height-px="132"
        :most="most.arrivals"
        :words="number"
        is-stacked
      />
      <NightChart
        class="mt-2"
        title="Screen taken"
        :note="`share of each ${slotWords}${share === null ? '' : '; the thin line is what B allows'}`"
        :series="screen"
        :range="range"
        label="How much of the screen alerts took, along the night, under A and B"
        :height-px="112"
        :most="1"
        :words="percent"
      />
      <NightChart
        class="mt-2"
        title="Waiting"
        note="how late an alert began, each one a dot"
        :series="late"
        :range="range"
        label="How late each alert began, along the night, under A and B"
        :height-px="166"
        :most="most.lateMs"
        :words="waitWords"
      />
      <NightChart
        class="mt-2"
        title="In line"
        :note="`the most that waited in each ${slotWords}`"
        :series="inLine"
        :range="range"
        label="How many waited, along the night, under A and B"
        :height-px="100"
        :most="most.inLine"
        :words="number"
      />
      <NightChart
        v-if="hasSound"
        class="mt-2"
        title="Loudness"
        :note="`the loudest of each ${slotWords}, all that sounds together, in LUFS; the thin line is one sound as it is set`"
        :series="loudness"
        :range="range"
        label="How loud it was at most, along the night, under A and B"
        :height-px="100"
        :most="-quietLufs"
        :words="lufsWords"
      />
      <div
        v-if="playedMs !== null && playedMs >= range.min && playedMs <= range.max"
        class="pointer-events-none absolute inset-y-0 w-0.5 bg-bolt"
        :style="{ left: `${xOf(playedMs)}px` }"
      />
      <div
        v-if="drag && drag.fromMs !== drag.toMs"
        class="pointer-events-none absolute inset-y-0 bg-glow/12"
        :style="{
          left: `${xOf(Math.min(drag.fromMs, drag.toMs))}px`,
          width: `${Math.abs(xOf(drag.toMs) - xOf(drag.fromMs))}px`,
        }"
      />
      <template v-if="said && atMs !== null">
        <div class="pointer-events-none absolute inset-y-0 w-px bg-snow/70" :style="{ left: `${xOf(atMs)}px` }" />
        <div
          class="on-paper pointer-events-none absolute top-8 z-10 rounded-sm px-3 py-1.5 shadow-lg"
          :style="isRight ? { right: `calc(100% - ${xOf(atMs) - 10}px)` } : { left: `${xOf(atMs) + 10}px` }"
        >
          <p class="font-semibold whitespace-nowrap">{{ said.head }}</p>
          <p class="whitespace-nowrap text-faded">{{ said.a }}</p>
          <p class="whitespace-nowrap text-faded">{{ said.b }}</p>
        </div>
      </template>
      <div class="relative h-5 font-mono text-2xs text-mist" aria-hidden="true">
        <span
          v-for="tick in nice.ticks"
          :key="tick"
          class="absolute -translate-x-1/2"
          :style="{ left: `${xOf(tick)}px` }"
          >{{ clock(tick) }}</span
        >
      </div>
    </div>
    <p class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 pl-16 text-mist">
      <span
        ><i class="mr-1.5 inline-block w-4 border-t-2 border-dashed border-mist align-middle" />A · {{ nameOfA }}</span
      >
      <span><i class="mr-1.5 inline-block w-4 border-t-2 border-glow align-middle" />B · the draft</span>
      <span><i class="mr-1.5 inline-block size-2.5 bg-sky align-baseline" />shown</span>
      <span><i class="mr-1.5 inline-block size-2.5 bg-deep-sky align-baseline" />shared another’s</span>
      <span><i class="mr-1.5 inline-block size-2.5 bg-wrong align-baseline" />let go</span>
      <span v-if="b.counts.refused > 0"
        ><i class="mr-1.5 inline-block size-2.5 bg-mist align-baseline" />refused by a gate</span
      >
      <button v-if="zoom" type="button" class="link ml-auto hover:text-snow" @click="zoom = null">
        The whole night
      </button>
      <span v-else class="ml-auto"
        >Drag: nearer · click: {{ playedMs === null ? 'what came' : 'play from there' }}</span
      >
    </p>
  </div>
</template>
