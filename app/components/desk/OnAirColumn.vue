<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import type { PlayToShow } from '../../../contract/sourceMessages.ts'
import type { DeskView } from '../../../contract/views.ts'
import { request } from '../../api/request.ts'
import { useCanvasScale } from '../../composables/useCanvasScale.ts'
import { useStage } from '../../composables/useStage.ts'
import { seconds } from '../../format/time.ts'
import { MicOff, Speech } from '@lucide/vue'
import { readText, unreadWords } from './speechWords.ts'
import { lastShown, nameWords } from './waitWords.ts'
import { kindNames } from '../../../core/events/kindNames.ts'

const props = defineProps<{ desk: DeskView; boxName: string; canvas: Canvas; nowMs: () => number }>()
const emit = defineEmits<{ hold: []; skip: []; replay: []; silence: []; mute: []; panic: [] }>()

const room = ref<HTMLElement>()
const host = ref<HTMLElement>()
const canvas = computed(() => props.canvas)
const { scale, size } = useCanvasScale(room, canvas)
const score = shallowRef<ResolvedScore | null>(null)
const stage = useStage(host, score, { isHeard: ref(false), restingMs: (shown) => shown.lengthMs - 1 })
const current = computed(() => props.desk.current)
const isRunning = computed(() => current.value?.state === 'playing')

/** The miniature plays what the sources play, from where they are. */
watch(
  () => (isRunning.value ? current.value?.id : null),
  async (playId) => {
    stage.stop()
    score.value = null
    if (!playId) return
    const show = await request<PlayToShow>('GET', `/api/boxes/${props.desk.boxId}/plays/${playId}`).catch(() => null)
    if (show && current.value?.id === playId) score.value = show.score
  },
  { immediate: true },
)
watch(stage.prepared, (prepared) => {
  if (prepared && current.value?.startedAtMs) void stage.play(Math.max(0, props.nowMs() - current.value.startedAtMs))
})

const said = computed(() => (current.value ? readText(current.value) : ''))
const unread = computed(() => (current.value ? unreadWords(current.value) : ''))
const isSpoken = computed(() => said.value !== '' && !current.value?.speech?.note && !current.value?.speech?.verdict)
const last = computed(() => lastShown(props.desk))
/** Nothing is on air, and nothing comes. */
const isEmptied = computed(() => props.desk.isHeld && !current.value)
const controls = computed(() => [
  {
    key: 'H',
    name: props.desk.isHeld ? 'Go on' : 'Hold',
    note: props.desk.isHeld ? 'let the line move again' : 'keep collecting',
    act: () => emit('hold'),
    isOff: false,
  },
  { key: 'S', name: 'Skip', note: 'this one', act: () => emit('skip'), isOff: !current.value },
  {
    key: 'V',
    name: 'Silence',
    note: isSpoken.value ? 'the voice' : 'nothing is read',
    act: () => emit('silence'),
    isOff: !isSpoken.value,
  },
  {
    key: 'R',
    name: 'Replay',
    note: last.value ? `${last.value.name}` : 'the last',
    act: () => emit('replay'),
    isOff: !last.value,
  },
])
/** All sound is off: every source of the box says so. */
const isSilenced = computed(() => props.desk.sources.length > 0 && props.desk.sources.every((each) => each.isSilenced))
const wide = computed(() => [
  {
    key: 'M',
    name: isSilenced.value ? 'Let all be heard' : 'Silence everything',
    note: isSilenced.value ? 'no source of this box is heard' : 'sounds alone; alerts play on',
    act: () => emit('mute'),
    isOn: isSilenced.value,
    isOff: props.desk.sources.length === 0,
  },
  {
    key: 'P',
    name: isEmptied.value ? 'Take it back' : 'Empty the screen',
    note: isEmptied.value ? 'the line moves again' : 'and hold; it stays in the log',
    act: () => emit('panic'),
    isOn: isEmptied.value,
    isOff: false,
  },
])
/** What is said while nothing plays. */
const restWords = computed(() => {
  if (props.desk.isHeld) return 'Held. Nothing starts until you let it go on.'
  if (props.desk.sources.length === 0) return 'No source is connected. Alerts are kept and wait.'
  return current.value ? 'Sources are loading the next alert…' : 'Quiet. The next alert shows here as it plays.'
})
</script>

<template>
  <section
    class="order-first flex min-h-0 flex-col gap-3 bg-deep lg:order-none lg:overflow-y-auto px-4 py-4"
    aria-label="On air"
  >
    <div class="flex items-baseline justify-between gap-2">
      <h2 class="font-display text-xl font-semibold">On air</h2>
      <p class="truncate text-mist">{{ boxName }}</p>
    </div>
    <div ref="room" class="relative grid min-h-40 flex-1 place-items-center">
      <div
        class="relative overflow-hidden bg-night outline-2"
        :class="isRunning ? 'outline-bolt' : 'outline-seam'"
        :style="{ width: `${size.widthPx}px`, height: `${size.heightPx}px` }"
      >
        <div
          v-show="isRunning"
          ref="host"
          class="absolute top-0 left-0 origin-top-left"
          :style="{ transform: `scale(${scale})` }"
        />
        <div v-if="!isRunning" class="absolute inset-0 grid place-items-center p-6 text-center text-mist">
          <p>
            {{ restWords }}
          </p>
        </div>
        <div v-if="isRunning && current" class="absolute inset-x-0 bottom-0 h-1 bg-seam">
          <div
            class="h-full bg-bolt"
            :style="{ width: `${Math.min(100, (stage.tMs.value / current.lengthMs) * 100)}%` }"
          />
        </div>
      </div>
    </div>
    <div class="flex min-h-5 items-baseline justify-between gap-3">
      <p class="min-w-0 truncate" aria-live="polite">
        <template v-if="current"
          ><b>{{ kindNames[current.kind] }}</b> · <bdi>{{ current.name }}</bdi>{{ nameWords(current) }}{{ ' ' }}
          <span class="text-mist"
            >{{ current.isTest ? 'test · ' : '' }}{{ current.variationName }}, on {{ current.shownCount }} of
            {{ desk.sources.length }}</span
          ></template
        >
      </p>
      <p v-if="isRunning && current" class="shrink-0 font-mono text-xs">
        {{ seconds(stage.tMs.value) }} / {{ seconds(current.lengthMs) }} s
      </p>
    </div>
    <p
      v-if="said || unread"
      class="flex max-h-16 items-start gap-2 overflow-y-auto rounded-sm bg-night px-3 py-2"
      tabindex="0"
      aria-label="What is read"
    >
      <component
        :is="unread ? MicOff : Speech"
        :size="15"
        class="mt-0.5 shrink-0"
        :class="unread ? 'text-glow' : 'text-mist'"
        aria-hidden="true"
      /><span class="min-w-0 break-words" dir="auto">{{ unread || said }}</span>
    </p>
    <div class="grid grid-cols-2 gap-3 xl:grid-cols-4">
      <button
        v-for="control in controls"
        :key="control.key"
        type="button"
        class="rounded-sm bg-ridge px-3 py-2 text-left hover:bg-clip-dim disabled:opacity-50 disabled:hover:bg-ridge"
        :class="control.key === 'H' && desk.isHeld ? 'outline-2 outline-bolt' : ''"
        :disabled="control.isOff"
        @click="control.act"
      >
        <span class="flex items-center justify-between gap-2"
          ><span class="font-display text-lg font-semibold">{{ control.name }}</span
          ><span class="key text-mist">{{ control.key }}</span></span
        >
        <span class="block truncate text-mist">{{ control.note }}</span>
      </button>
    </div>
    <div class="grid gap-3 xl:grid-cols-2">
      <button
        v-for="control in wide"
        :key="control.key"
        type="button"
        class="flex items-center gap-3 rounded-sm border px-3 py-1.5 text-left hover:bg-clip-dim disabled:opacity-50"
        :class="control.isOn ? 'border-bolt' : 'border-wrong'"
        :disabled="control.isOff"
        @click="control.act"
      >
        <span class="key text-mist">{{ control.key }}</span>
        <span class="min-w-0">
          <span class="block font-display font-semibold">{{ control.name }}</span>
          <span class="block truncate text-mist">{{ control.note }}</span>
        </span>
      </button>
    </div>
  </section>
</template>
