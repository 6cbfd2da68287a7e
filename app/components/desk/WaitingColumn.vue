<script setup lang="ts">
import { NuxtLink } from '#components'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import { defaultPolicy } from '../../../core/queue/policy.ts'
import type { DeskView, PlayView } from '../../../contract/views.ts'
import { span } from '../../format/time.ts'
import SpeechLine from './SpeechLine.vue'
import { useLiveStore } from '../../stores/live.ts'
import KindMark from '../frame/KindMark.vue'

const props = defineProps<{ desk: DeskView; nowMs: number }>()
defineEmits<{ skip: [play: PlayView]; read: [play: PlayView, isRead: boolean]; voices: [isOn: boolean] }>()
const live = useLiveStore()
const voicesAreOn = computed(() => live.live?.voicesAreOn ?? true)

/** When each waiting play is likely to start, from what plays now and the lengths before it. */
const startsIn = computed(() => {
  const { current } = props.desk
  let atMs = current?.startedAtMs
    ? Math.max(0, current.startedAtMs + current.lengthMs - props.nowMs)
    : (current?.lengthMs ?? 0)
  return props.desk.waiting.map((play) => {
    // Others pass one that waits for somebody.
    if (play.approval === 'awaiting') return null
    atMs += defaultPolicy.gapMs
    const startMs = atMs
    atMs += play.lengthMs
    return startMs
  })
})
const isStill = computed(() => props.desk.isHeld || props.desk.sources.length === 0)
const areAllAwaiting = computed(
  () => props.desk.waiting.length > 0 && props.desk.waiting.every(({ approval }) => approval === 'awaiting'),
)
const why = computed(() => {
  const { isHeld, sources, waitingCount } = props.desk
  if (isHeld) return 'held'
  if (waitingCount === 0) return ''
  if (sources.length === 0) return 'waiting for a source'
  return areAllAwaiting.value
    ? 'waiting for you'
    : `last one in ${span(startsIn.value.findLast((startMs) => startMs !== null) ?? 0)}`
})
function waitWords({ enqueuedAtMs }: PlayView, index: number): string {
  const startsInMs = startsIn.value[index]
  if (startsInMs === null) return 'for you'
  return isStill.value ? `${span(props.nowMs - enqueuedAtMs)} so far` : `in ${span(startsInMs ?? 0)}`
}
</script>

<template>
  <section class="flex min-h-0 flex-col border-r border-seam px-4 py-4" aria-label="Waiting">
    <div class="mb-3 flex items-baseline justify-between gap-2">
      <h2 class="font-display text-xl font-semibold">Waiting</h2>
      <p class="text-mist">{{ desk.waitingCount }}{{ why ? `, ${why}` : '' }}</p>
    </div>
    <ol v-if="desk.waiting.length > 0" class="min-h-0 space-y-2 overflow-y-auto pr-1">
      <li
        v-for="(play, index) in desk.waiting"
        :key="play.id"
        class="list-row flex flex-wrap items-start gap-x-3 rounded-sm bg-ridge p-3"
      >
        <KindMark :kind="play.kind" />
        <div class="min-w-0 flex-1">
          <p class="truncate font-display text-base font-semibold">
            <bdi>{{ play.name }}</bdi>
          </p>
          <p class="truncate text-mist">
            <span v-if="play.isTest">test · </span>{{ play.detail || play.variationName }}
          </p>
        </div>
        <div class="flex shrink-0 flex-col items-end gap-1">
          <span class="font-mono text-xs" :class="startsIn[index] === null ? 'text-glow' : ''">{{
            waitWords(play, index)
          }}</span>
          <button
            type="button"
            class="rounded-sm p-0.5 text-mist hover:text-snow"
            :aria-label="`Skip ${play.name}`"
            @click="$emit('skip', play)"
          >
            <X :size="15" />
          </button>
        </div>
        <SpeechLine class="basis-full" :play="play" @read="(isRead) => $emit('read', play, isRead)" />
      </li>
      <li v-if="desk.waitingCount > desk.waiting.length" class="py-1 text-center text-mist">
        and {{ desk.waitingCount - desk.waiting.length }} more
      </li>
    </ol>
    <p v-else class="rounded-sm border border-dashed border-seam p-4 text-mist">
      Nothing waits. Alerts that come while another plays, or while no source is connected, line up here and are kept.
    </p>
    <div class="mt-auto flex items-center justify-between gap-3 pt-3 text-mist">
      <p><NuxtLink to="/speech" class="link hover:text-snow">Speech desk</NuxtLink>: how messages are cleaned</p>
      <button
        type="button"
        class="button shrink-0"
        :class="voicesAreOn ? '' : 'border-glow! text-glow'"
        @click="$emit('voices', !voicesAreOn)"
      >
        {{ voicesAreOn ? 'Switch voices off' : 'Switch voices on' }}
      </button>
    </div>
  </section>
</template>
