<script setup lang="ts">
import { NuxtLink } from '#components'
import { useRoute } from '#imports'
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { counted } from '../../format/counted.ts'
import { span } from '../../format/time.ts'
import type { RidgeView } from '../../../contract/views.ts'
import { useLastRehearsal } from '../../composables/useLastRehearsal.ts'
import { useLiveStore } from '../../stores/live.ts'
import { pathsOf, stationOf, stations, type Station } from './stations.ts'

const liveStore = useLiveStore()
const route = useRoute()
const now = useNow({ interval: 10_000 })
const lastRehearsal = useLastRehearsal()
/** Longer than that somebody waited who may not have wanted to. */
const longMs = 30_000
const rehearsal = computed<Pick<Listed, 'state' | 'light'>>(() => {
  const worstMs = lastRehearsal.value?.worstMs
  if (worstMs === undefined) return { state: 'not yet', light: 'idle' }
  return { state: `longest wait ${span(worstMs)}`, light: worstMs <= longMs ? 'fine' : 'idle' }
})

const listed = computed<Listed[]>(() => {
  const ridge = liveStore.live?.ridge
  if (!ridge) return stations.map((name) => ({ name, state: 'connecting…', light: 'idle' }))
  const { feeds, boxes, triggers, desk } = ridge
  const last = feeds.lastDeliveryAtMs ? `last ${span(now.value.getTime() - feeds.lastDeliveryAtMs)} ago` : 'nothing yet'
  return [
    {
      name: 'Feeds',
      state: `${feeds.linked} linked, ${last}`,
      light: feeds.linked > 0 ? 'fine' : 'idle',
    },
    { name: 'Boxes', ...boxesState(boxes) },
    { name: 'Triggers', ...triggersState(triggers) },
    { name: 'Rehearsal', ...rehearsal.value },
    {
      name: 'Desk',
      state: `${deskWords(desk)}, ${counted(desk.sources, 'source')}`,
      light: deskLight(desk),
    },
  ]
})

type Light = Listed['light']
interface Listed {
  name: Station
  state: string
  /** bolt: live · fine · idle: nothing to say yet */
  light: 'bolt' | 'fine' | 'idle'
}

function boxesState({ count, neverOnAir, differing }: RidgeView['boxes']): { state: string; light: Light } {
  if (count === 0) return { state: 'none yet', light: 'idle' }
  if (neverOnAir > 0) return { state: `${neverOnAir} never on air`, light: 'idle' }
  return differing > 0
    ? { state: 'draft differs from air', light: 'idle' }
    : { state: 'draft same as air', light: 'fine' }
}

function triggersState({ armed, running, waiting }: RidgeView['triggers']): { state: string; light: Light } {
  if (running > 0) return { state: `${running} running`, light: 'bolt' }
  if (waiting > 0) return { state: `${counted(waiting, 'thing')} to be done`, light: 'idle' }
  return armed > 0 ? { state: `${armed} armed`, light: 'fine' } : { state: 'none armed', light: 'idle' }
}

function deskWords({ isHeld, isPlaying, waiting }: RidgeView['desk']): string {
  if (isHeld) return 'held'
  if (isPlaying) return 'playing'
  return waiting > 0 ? `${waiting} waiting` : 'quiet'
}

function deskLight({ isPlaying, sources }: RidgeView['desk']): Light {
  if (isPlaying) return 'bolt'
  return sources > 0 ? 'fine' : 'idle'
}
const activeIndex = computed(() => stations.findIndex((station) => station === stationOf(route.path)))

/** The ridge as one line over the stations, each 200 wide, the active one a little higher. */
const peaks = computed(() =>
  stations.map((_, index) => ({ x: 100 + index * 200, y: index === activeIndex.value ? 4 : 9 })),
)
const ridgePoints = computed(() => {
  const points = ['0,18', '46,15']
  for (const peak of peaks.value) points.push(`${peak.x},${peak.y}`, `${peak.x + 62},18`, `${peak.x + 108},15`)
  return points.slice(0, -1).join(' ')
})
const activePoints = computed(() => {
  const peak = peaks.value[activeIndex.value]
  return peak ? `${peak.x - 54},15.2 ${peak.x},${peak.y} ${peak.x + 62},18` : ''
})
const lights = { bolt: 'fill-glow', fine: 'fill-fine', idle: 'fill-mist' }
</script>

<template>
  <nav aria-label="Stations" class="relative w-full min-w-0 max-w-3xl">
    <svg
      :viewBox="`0 0 ${stations.length * 200} 22`"
      class="absolute inset-x-0 top-0 h-[22px] w-full"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <polyline
        :points="ridgePoints"
        class="fill-none stroke-seam"
        stroke-width="1.5"
        vector-effect="non-scaling-stroke"
      />
      <polyline
        v-if="activePoints"
        :points="activePoints"
        class="fill-none stroke-glow"
        stroke-width="1.5"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <ol class="grid pt-[22px]" :style="{ gridTemplateColumns: `repeat(${stations.length}, minmax(0, 1fr))` }">
      <li v-for="(station, index) in listed" :key="station.name" class="relative text-center">
        <svg
          class="absolute left-1/2 size-2.5 -translate-x-1/2"
          :style="{ top: `${(peaks[index]?.y ?? 9) - 27}px` }"
          viewBox="0 0 10 10"
          aria-hidden="true"
        >
          <circle cx="5" cy="5" r="4.5" :class="index === activeIndex ? 'fill-glow' : lights[station.light]" />
        </svg>
        <NuxtLink
          :to="pathsOf[station.name][0].to"
          class="block rounded-sm px-2 pb-1"
          :aria-current="index === activeIndex ? 'page' : undefined"
        >
          <span class="font-display text-sm font-semibold" :class="index === activeIndex ? 'text-glow' : 'text-snow'">{{
            station.name
          }}</span>
          <span class="block truncate text-2xs text-mist">{{ station.state }}</span>
        </NuxtLink>
      </li>
    </ol>
  </nav>
</template>
