<script setup lang="ts">
import { Pause, Play, SkipBack, SkipForward, Volume2, VolumeX, X } from '@lucide/vue'
import { useElementSize, watchThrottled } from '@vueuse/core'
import { computed, onMounted, ref, toRef, type ComponentPublicInstance } from 'vue'
import { kindNames } from '../../../core/events/kindNames.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import type { StudioAtFirst } from '../../../core/rehearsal/rehearsedStudio.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import type { CameRow, Programme } from '../../workers/rehearsalTalk.ts'
import KindMark from '../frame/KindMark.vue'
import RehearsedScene from './RehearsedScene.vue'
import { atOnceMs } from './rehearsalWords.ts'
import { lengthWords } from '../../format/time.ts'
import { lastBy, rates, useNightPlayer } from './useNightPlayer.ts'

/** A night as it would be seen: the draft's alerts on the real player, over what the studio would show. No source sees it. */
const props = defineProps<{
  programme: Programme
  boxes: readonly { boxId: string; name: string }[]
  studio: StudioAtFirst
  /** Which source of the studio shows a box, where one does. */
  sourceOf: (boxId: string) => { name: string; scenes: readonly string[] } | null
  came: readonly CameRow[]
  clock: (atMs: number) => string
  /** Where it begins. */
  startMs: number
  scoreOf: (boxId: string, playId: string) => Promise<ResolvedScore | null>
}>()
const emit = defineEmits<{ close: []; moment: [atMs: number]; came: [atMs: number] }>()
const player = useNightPlayer(toRef(props, 'programme'), props.scoreOf)
const { rate, isPlaying, isHeard, atMs, onScreen, undrawn, canvases } = player
defineExpose({ jump: player.jump })

const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
const keepHost = (boxId: string) => (host: Element | ComponentPublicInstance | null) =>
  player.mount(boxId, host as HTMLElement | null)
const hosts = new Map<string, ReturnType<typeof keepHost>>()
/** The same function each time: another one would take the stage out and put it in again. */
function hostOf(boxId: string): ReturnType<typeof keepHost> {
  const known = hosts.get(boxId) ?? keepHost(boxId)
  hosts.set(boxId, known)
  return known
}
const scaleOf = (boxId: string) => {
  const canvas = canvases.get(boxId)
  return canvas ? Math.min(width.value / canvas.widthPx, height.value / canvas.heightPx) : 1
}

const inOrder = <T extends { atMs: number }>(list: readonly T[]) => list.map((each) => ({ ...each, fromMs: each.atMs }))
const tracks = computed(() => ({
  studio: inOrder(props.programme.studio),
  said: inOrder(props.programme.said),
  waiting: Object.values(props.programme.waiting).map(inOrder),
}))
const moment = computed(() => tracks.value.studio[lastBy(tracks.value.studio, atMs.value)] ?? null)
const drawn = computed(() => new Set(props.boxes.flatMap(({ boxId }) => props.sourceOf(boxId)?.name ?? [])))
function isSeen(boxId: string): boolean {
  const source = props.sourceOf(boxId)
  if (!source || !moment.value) return true
  const { programme, shown } = moment.value
  return shown.includes(source.name) && (programme === null || source.scenes.includes(programme))
}
const waits = computed(() =>
  tracks.value.waiting.reduce((sum, track) => sum + (track[lastBy(track, atMs.value)]?.count ?? 0), 0),
)
const saidForMs = 60_000
const said = computed(() => {
  const until = lastBy(tracks.value.said, atMs.value)
  return tracks.value.said.slice(Math.max(0, until - 1), until + 1).filter((each) => atMs.value - each.atMs < saidForMs)
})
const shown = computed(() =>
  [...onScreen.value.values()].map((play) => ({
    ...play,
    box: props.boxes.length > 1 ? props.boxes.find(({ boxId }) => boxId === play.boxId)?.name : undefined,
    words: [
      play.others > 0 ? `with ${play.others} more` : '',
      play.lateMs < atOnceMs ? 'at once' : `${lengthWords(play.lateMs)} late`,
    ]
      .filter(Boolean)
      .join(', '),
  })),
)

/** How long before much comes one is put. */
const leadMs = 3_000
const burstBefore = computed(() => props.programme.bursts.findLast((each) => each.atMs - leadMs < atMs.value - 1_000))
const burstAfter = computed(() => props.programme.bursts.find((each) => each.atMs - leadMs > atMs.value + 1_000))
const burstWords = (burst: { atMs: number; count: number; kind: Parameters<typeof manyOf>[0] } | undefined) =>
  burst ? `${props.clock(burst.atMs)}: ${burst.count} in a minute, most of them ${manyOf(burst.kind)}` : ''
const seekTo = (event: Event) => player.jump(Number((event.target as HTMLInputElement).value))
const xOf = (ms: number) =>
  `${(100 * (ms - props.programme.fromMs)) / Math.max(1, props.programme.overAtMs - props.programme.fromMs)}%`

watchThrottled(atMs, (ms) => emit('came', ms), { throttle: 300, trailing: true, leading: true, immediate: true })
watchThrottled(atMs, (ms) => emit('moment', ms), { throttle: 100, trailing: true, leading: true, immediate: true })
const first = ref<HTMLButtonElement>()
onMounted(() => {
  player.jump(props.startMs)
  player.play()
  first.value?.focus()
})
</script>

<template>
  <section class="mt-3" aria-label="The night as it would be seen">
    <div class="grid grid-cols-1 gap-3 xl:grid-cols-[minmax(0,1fr)_17rem]">
      <div class="min-w-0">
        <div
          ref="frame"
          class="relative aspect-video w-full overflow-hidden rounded-sm bg-stage outline-1 outline-seam"
        >
          <RehearsedScene :moment="moment" :scenes="studio.scenes" :drawn="drawn" />
          <div
            v-for="box in boxes"
            v-show="isSeen(box.boxId)"
            :key="box.boxId"
            :ref="hostOf(box.boxId)"
            class="absolute top-0 left-0 origin-top-left"
            :style="{ transform: `scale(${scaleOf(box.boxId)})` }"
          />
          <p class="absolute bottom-2 left-3 rounded-sm bg-black/60 px-2 py-0.5 text-2xs text-white">
            A rehearsal: no source shows it
          </p>
        </div>
        <div class="relative mt-1.5 h-4">
          <i
            v-for="burst in programme.bursts"
            :key="burst.atMs"
            class="pointer-events-none absolute top-0 h-1 w-1.5 -translate-x-1/2 rounded-full bg-glow"
            :style="{ left: xOf(burst.atMs) }"
          />
          <input
            type="range"
            class="block h-4 w-full accent-glow"
            aria-label="Moment of the night that is played"
            :min="programme.fromMs"
            :max="programme.overAtMs"
            :value="atMs"
            step="1000"
            :aria-valuetext="clock(atMs)"
            @input="seekTo"
          />
        </div>
        <div class="mt-1 flex flex-wrap items-center gap-2">
          <button
            type="button"
            class="button px-2"
            aria-label="To the burst before"
            :title="burstWords(burstBefore)"
            :disabled="!burstBefore"
            @click="burstBefore && player.jump(burstBefore.atMs - leadMs)"
          >
            <SkipBack :size="16" />
          </button>
          <button
            ref="first"
            type="button"
            class="button button-bolt px-3"
            :aria-label="isPlaying ? 'Pause' : 'Play'"
            @click="isPlaying ? player.pause() : player.play()"
          >
            <component :is="isPlaying ? Pause : Play" :size="16" />
          </button>
          <button
            type="button"
            class="button px-2"
            aria-label="To the next burst"
            :title="burstWords(burstAfter)"
            :disabled="!burstAfter"
            @click="burstAfter && player.jump(burstAfter.atMs - leadMs)"
          >
            <SkipForward :size="16" />
          </button>
          <output class="w-20 text-center font-mono" aria-label="Moment">{{ clock(atMs) }}</output>
          <label class="flex items-center gap-1.5 text-mist"
            >at
            <select v-model.number="rate" class="in-sentence text-sky!" aria-label="How fast">
              <option v-for="each in rates" :key="each" :value="each">×{{ each }}</option>
            </select></label
          >
          <button
            type="button"
            class="button px-2"
            :aria-pressed="isHeard"
            :aria-label="isHeard ? 'Silence it' : 'Let it be heard'"
            @click="player.hear(!isHeard)"
          >
            <component :is="isHeard ? Volume2 : VolumeX" :size="16" />
          </button>
          <span v-if="isHeard && rate !== 1" class="text-mist">Heard at ×1 only</span>
          <span v-else-if="undrawn > 0" class="text-mist">{{ undrawn }} too quick to draw</span>
          <button type="button" class="button ml-auto px-2" aria-label="Close the player" @click="$emit('close')">
            <X :size="16" />
          </button>
        </div>
      </div>
      <div class="min-w-0 space-y-3">
        <div>
          <h2 class="caps text-mist">On screen</h2>
          <p v-if="shown.length === 0" class="text-mist">nothing</p>
          <p v-for="play in shown" :key="play.boxId" class="flex items-center gap-2">
            <KindMark v-if="play.kind" :kind="play.kind" />
            <span class="min-w-0"
              ><span class="block truncate font-medium"
                ><bdi>{{ play.name || 'the channel itself' }}</bdi></span
              ><span class="block truncate text-mist"
                >{{ play.box ? `${play.box} · ` : '' }}{{ play.words }}</span
              ></span
            >
          </p>
          <p class="mt-1">
            <b class="font-mono">{{ waits }}</b> <span class="text-mist">in line</span>
          </p>
        </div>
        <div>
          <h2 class="caps text-mist">Came last</h2>
          <ol>
            <li v-for="row in came" :key="row.at" class="flex items-baseline gap-2">
              <span class="font-mono text-2xs text-mist">{{ clock(row.atMs) }}</span>
              <span class="min-w-0 truncate"
                ><bdi class="mr-1.5">{{ row.name || '—' }}</bdi
                ><span class="text-mist">{{ row.detail || kindNames[row.kind].toLowerCase() }}</span></span
              >
            </li>
          </ol>
        </div>
        <div v-if="said.length > 0">
          <h2 class="caps text-mist">Said in chat</h2>
          <p v-for="line in said" :key="line.atMs" class="line-clamp-2">{{ line.words }}</p>
        </div>
      </div>
    </div>
  </section>
</template>
