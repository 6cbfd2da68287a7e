<script setup lang="ts">
import { Camera, Film, Play, Square, Volume2, VolumeX } from '@lucide/vue'
import { computed, ref } from 'vue'
import { chosenBy, mainKind, playedBy } from '../../../core/composition/box.ts'
import type { TestAnswer } from '../../../contract/views.ts'
import type { Remark } from '../../../core/remarks/remark.ts'
import { request, wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import { seconds } from '../../format/time.ts'
import DraftState from '../frame/DraftState.vue'
import { useDraftStore } from '../../stores/draft.ts'
import { useFilmStore } from '../../stores/film.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

const props = defineProps<{
  tMs: number
  lengthMs: number
  isPlaying: boolean
  isHeard: boolean
  hearsSource: boolean
  isSavingPicture: boolean
  remarks: readonly Remark[]
}>()
defineEmits<{ play: []; stop: []; sound: []; picture: []; film: [] }>()

const draft = useDraftStore()
const room = useScoreRoomStore()
const live = useLiveStore()
const view = useRoomViewStore()
const film = useFilmStore()
/** How far the film is; null: none is made. */
const filmShare = computed(() => {
  if (!film.making) return null
  const { framesDone, framesAll } = film.making
  return `${framesAll > 0 ? Math.floor((100 * framesDone) / framesAll) : 0} %`
})
const isSending = ref(false)
const sent = ref<TestAnswer | null>(null)
const refusal = ref('')

const desk = computed(() => (draft.view ? live.deskOf(draft.view.id) : null))
const sourceCount = computed(() => desk.value?.sources.length ?? 0)
/** What became of the test that was sent last. */
const testWords = computed(() => {
  if (refusal.value) return refusal.value
  if (!sent.value) return ''
  if (!sent.value.playId) return sent.value.reason
  const { playId } = sent.value
  const current = desk.value?.current
  if (current?.id === playId)
    return current.shownCount > 0
      ? `Showing on ${counted(current.shownCount, 'source')} now`
      : 'Sources are loading it…'
  const ended = desk.value?.log.find((play) => play.id === playId)
  if (ended?.state === 'played') return `Shown by ${counted(ended.shownCount, 'source')}`
  if (ended) return `Not shown: ${ended.reason}`
  return sourceCount.value === 0 ? 'No source is connected: the test waits for one' : 'Waiting for its turn…'
})

async function sendTest(): Promise<void> {
  if (!draft.view || !room.alert) return
  isSending.value = true
  refusal.value = ''
  try {
    sent.value = await request<TestAnswer>('POST', `/api/boxes/${draft.view.id}/tests`, {
      kind: room.kind,
      viewer: room.viewer,
      ...(room.choice ? { choice: room.choice } : {}),
      ...(isCase.value && room.variation ? { variationId: room.variation.id } : {}),
    })
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  isSending.value = false
}
/** One case among several is tested with what it is for. */
const isCase = computed(
  () =>
    room.alert !== null &&
    room.variation !== null &&
    (chosenBy(room.alert).length > 1 || playedBy(room.variation) !== 'events'),
)
const wrongCount = computed(() => props.remarks.filter((remark) => remark.level === 'wrong').length)
const isBehind = computed(
  () =>
    props.lengthMs > 0 &&
    draft.differences.some(
      (difference) => (room.alert && difference.kind === mainKind(room.alert)) || difference.kind === null,
    ),
)
</script>

<template>
  <div class="flex min-h-0 min-w-0 flex-col gap-4 overflow-x-hidden overflow-y-auto py-3 pr-3">
    <section aria-label="Playback">
      <p class="font-display leading-none">
        <span class="text-4xl font-semibold tabular-nums">{{ seconds(tMs) }}</span>{{ ' ' }}
        <span class="font-semibold text-mist">s of {{ seconds(lengthMs) }}</span>
      </p>
      <div class="mt-3 flex flex-wrap gap-1.5">
        <button type="button" class="button" @click="isPlaying ? $emit('stop') : $emit('play')">
          <component :is="isPlaying ? Square : Play" :size="14" aria-hidden="true" />{{ isPlaying ? 'Stop' : 'Play' }}
        </button>
        <button type="button" class="button" :aria-pressed="isHeard" @click="$emit('sound')">
          <component :is="isHeard ? Volume2 : VolumeX" :size="15" aria-hidden="true" />{{
            isHeard ? 'Heard here' : 'Silent here'
          }}
        </button>
        <button
          type="button"
          class="button"
          aria-label="Save this moment as a picture"
          title="Save this moment as a picture (PNG)"
          :disabled="isSavingPicture"
          @click="$emit('picture')"
        >
          <Camera :size="15" aria-hidden="true" />Picture
        </button>
        <button
          type="button"
          class="button"
          title="Save this case as a film or a moving picture"
          :aria-label="filmShare === null ? 'Save this case as a film' : `The film is made: ${filmShare}`"
          @click="$emit('film')"
        >
          <Film :size="15" aria-hidden="true" /><span class="min-w-8 text-left tabular-nums">{{
            filmShare ?? 'Film'
          }}</span>
        </button>
      </div>
      <p v-if="hearsSource" class="mt-2 text-mist">
        {{
          isHeard
            ? 'A source of this box plays on this machine too: you may hear everything twice.'
            : 'Silent, because a source of this box plays on this machine.'
        }}
      </p>
      <p v-else class="mt-2 text-mist">
        <span class="key">Space</span> plays {{ view.loop ? 'the loop' : 'from the start' }}
      </p>
    </section>
    <section v-if="remarks.length > 0" aria-label="Remarks">
      <button
        type="button"
        class="link text-left"
        :class="wrongCount > 0 ? 'text-wrong' : 'text-mist'"
        @click="room.select(null)"
      >
        {{ counted(remarks.length, 'remark') }}{{ wrongCount > 0 ? `, ${wrongCount} to mend` : '' }}
      </button>
    </section>
    <section class="border-t border-seam pt-3" aria-label="Test">
      <h2 class="font-semibold">Test on the sources</h2>
      <p :class="sourceCount > 0 ? 'text-fine' : 'text-mist'">
        {{ sourceCount > 0 ? `${counted(sourceCount, 'source')} connected` : 'no source connected' }}
      </p>
      <button type="button" class="button mt-2" :disabled="isSending || !draft.view?.onAir" @click="sendTest">
        {{ isCase ? 'Test this case' : 'Send a test' }}
      </button>
      <p role="status" class="mt-2 min-h-9" :class="refusal ? 'text-wrong' : 'text-snow'">{{ testWords }}</p>
      <p v-if="!draft.view?.onAir" class="text-mist">Put the box on air first: tests play what is on air.</p>
      <p v-else-if="isBehind" class="text-mist">A test plays what is on air, without your last changes.</p>
    </section>
    <DraftState class="mt-auto" />
  </div>
</template>
