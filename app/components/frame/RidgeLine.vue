<script setup lang="ts">
import { NuxtLink } from '#components'
import { useRoute } from '#imports'
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { counted } from '../../format/counted.ts'
import { span } from '../../format/time.ts'
import { useLiveStore } from '../../stores/live.ts'

interface Station {
  to: string
  name: string
  state: string
  /** bolt: live · fine · idle: nothing to say yet */
  light: 'bolt' | 'fine' | 'idle'
}

const liveStore = useLiveStore()
const route = useRoute()
const now = useNow({ interval: 10_000 })

const stations = computed<Station[]>(() => {
  const ridge = liveStore.live?.ridge
  if (!ridge)
    return ['Feeds', 'Boxes', 'Desk'].map((name) => ({
      to: `/${name.toLowerCase()}`,
      name,
      state: 'connecting…',
      light: 'idle',
    }))
  const { feeds, boxes, desk } = ridge
  const last = feeds.lastDeliveryAtMs ? `last ${span(now.value.getTime() - feeds.lastDeliveryAtMs)} ago` : 'nothing yet'
  const boxState =
    boxes.neverOnAir > 0
      ? `${boxes.neverOnAir} never on air`
      : boxes.differing > 0
        ? 'draft differs from air'
        : 'draft same as air'
  const deskState = desk.isHeld
    ? 'held'
    : desk.isPlaying
      ? 'playing'
      : desk.waiting > 0
        ? `${desk.waiting} waiting`
        : 'quiet'
  return [
    {
      to: '/feeds',
      name: 'Feeds',
      state: `${feeds.linked} linked, ${last}`,
      light: feeds.linked > 0 ? 'fine' : 'idle',
    },
    { to: '/boxes', name: 'Boxes', state: boxState, light: boxes.differing + boxes.neverOnAir > 0 ? 'idle' : 'fine' },
    {
      to: '/desk',
      name: 'Desk',
      state: `${deskState}, ${counted(desk.sources, 'source')}`,
      light: desk.isPlaying ? 'bolt' : desk.sources > 0 ? 'fine' : 'idle',
    },
  ]
})
const activeIndex = computed(() => stations.value.findIndex((station) => route.path.startsWith(station.to)))

/** The ridge as one line over three stations, each 200 wide, the active one a little higher. */
const peaks = computed(() =>
  stations.value.map((_, index) => ({ x: 100 + index * 200, y: index === activeIndex.value ? 4 : 9 })),
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
  <nav aria-label="Stations" class="relative w-full min-w-0 max-w-2xl">
    <svg
      viewBox="0 0 600 22"
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
    <ol class="grid grid-cols-3 pt-[22px]">
      <li v-for="(station, index) in stations" :key="station.to" class="relative text-center">
        <svg
          class="absolute left-1/2 size-2.5 -translate-x-1/2"
          :style="{ top: `${(peaks[index]?.y ?? 9) - 27}px` }"
          viewBox="0 0 10 10"
          aria-hidden="true"
        >
          <circle cx="5" cy="5" r="4.5" :class="index === activeIndex ? 'fill-glow' : lights[station.light]" />
        </svg>
        <NuxtLink
          :to="station.to"
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
