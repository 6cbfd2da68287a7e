<script setup lang="ts">
import { NuxtLink } from '#components'
import { ArrowUpToLine, X } from '@lucide/vue'
import { computed } from 'vue'
import type { DeskView, PlayView } from '../../../contract/views.ts'
import { detailWords, lineWords, nameWords, waitsForSomebody, whenWords, whyWords } from './waitWords.ts'
import { counted } from '../../format/counted.ts'
import SpeechLine from './SpeechLine.vue'
import { useLiveStore } from '../../stores/live.ts'
import KindMark from '../frame/KindMark.vue'

const props = defineProps<{ desk: DeskView; nowMs: number }>()
defineEmits<{
  skip: [play: PlayView]
  clear: [isCleared: boolean]
  next: [play: PlayView]
  show: [play: PlayView, isLet: boolean]
  read: [play: PlayView, isRead: boolean]
  voices: [isOn: boolean]
}>()
const live = useLiveStore()
const voicesAreOn = computed(() => live.live?.voicesAreOn ?? true)

const forecasts = computed(() => new Map(props.desk.forecast.map((each) => [each.playId, each])))
const why = computed(() => lineWords(props.desk, props.nowMs))
const isForYou = ({ id }: PlayView) => waitsForSomebody(forecasts.value.get(id)?.why)
const waitWords = (play: PlayView) => whenWords(forecasts.value.get(play.id), play, props.nowMs)
</script>

<template>
  <section class="flex min-h-0 flex-col border-r border-seam px-4 py-4" aria-label="Waiting">
    <div class="mb-3 flex items-baseline justify-between gap-2">
      <h2 class="font-display text-xl font-semibold">Waiting</h2>
      <p class="text-mist">
        {{ desk.waitingCount }}{{ why ? `, ${why}` : '' }}
        <button
          v-if="desk.waitingCount > 1"
          type="button"
          class="link ml-1 hover:text-snow"
          @click="$emit('clear', true)"
        >
          Clear
        </button>
      </p>
    </div>
    <p
      v-if="desk.cleared"
      class="mb-2 flex items-center justify-between gap-2 rounded-sm border border-seam px-3 py-2"
      role="status"
    >
      <span>{{ counted(desk.cleared.count, 'alert') }} {{ desk.cleared.reason }}.</span>
      <button type="button" class="button shrink-0" @click="$emit('clear', false)">
        Put back ({{ Math.max(0, Math.ceil((desk.cleared.untilMs - nowMs) / 1000)) }} s)
      </button>
    </p>
    <ol v-if="desk.waiting.length > 0" class="min-h-0 space-y-2 overflow-y-auto pr-1">
      <li
        v-for="(play, index) in desk.waiting"
        :key="play.id"
        class="list-row flex flex-wrap items-start gap-x-3 rounded-sm bg-ridge p-3"
      >
        <KindMark :kind="play.kind" />
        <div class="min-w-0 flex-1">
          <p class="truncate font-display text-base font-semibold">
            <bdi>{{ play.name }}</bdi>{{ nameWords(play) }}
          </p>
          <p class="truncate text-mist"><span v-if="play.isTest">test · </span>{{ detailWords(play) }}</p>
          <p class="text-mist">{{ whyWords(forecasts.get(play.id), index, desk.current !== null) }}</p>
        </div>
        <div class="flex shrink-0 flex-col items-end gap-1">
          <span class="font-mono text-xs" :class="isForYou(play) ? 'text-glow' : ''">{{ waitWords(play) }}</span>
          <span class="flex gap-1">
            <button
              v-if="index > 0 && forecasts.get(play.id)?.why.because === 'turn'"
              type="button"
              class="rounded-sm p-0.5 text-mist hover:text-snow"
              :aria-label="`Play ${play.name} next`"
              title="Play it next"
              @click="$emit('next', play)"
            >
              <ArrowUpToLine :size="15" aria-hidden="true" />
            </button>
            <button
              type="button"
              class="rounded-sm p-0.5 text-mist hover:text-snow"
              :aria-label="`Skip ${play.name}`"
              title="Skip it"
              @click="$emit('skip', play)"
            >
              <X :size="15" aria-hidden="true" />
            </button>
          </span>
        </div>
        <div
          v-if="forecasts.get(play.id)?.why.because === 'showing'"
          class="mt-2 flex basis-full gap-2"
          role="group"
          :aria-label="`Whether ${play.name} is shown`"
        >
          <button type="button" class="button border-fine!" @click="$emit('show', play, true)">Let it through</button>
          <button type="button" class="button border-wrong!" @click="$emit('show', play, false)">Not this one</button>
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
