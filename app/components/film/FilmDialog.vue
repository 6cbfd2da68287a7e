<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { useDocumentVisibility, useNow } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { framesOf, planFilm, type FilmKind, type FilmShare } from '../../../core/film/filmPlan.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import { seconds, span } from '../../format/time.ts'
import { useFilmStore } from '../../stores/film.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useSpeechStore } from '../../stores/speech.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** The open case as a file, with the sample that is shown. @prop called what the file is named after */
const props = defineProps<{ score: ResolvedScore; called: string }>()
const isOpen = defineModel<boolean>('open', { required: true })
const film = useFilmStore()
const view = useRoomViewStore()
const speech = useSpeechStore()

const kind = ref<FilmKind>('webm')
const share = ref<FilmShare>('whole')
const kinds: { value: FilmKind; name: string; words: string }[] = [
  {
    value: 'webm',
    name: 'Film with sound',
    words: 'A WebM file. Programs that cut and broadcast open it, and so does every browser.',
  },
  {
    value: 'webp',
    name: 'Moving picture',
    words: 'A WebP file without sound, which begins again and again. It goes wherever a picture goes.',
  },
]
const sizes = computed(() =>
  (['whole', 'half', 'third'] as const).map((value) => ({
    value,
    ...planFilm(kind.value, props.score.canvas, props.score.lengthMs, value),
  })),
)
const plan = computed(() => planFilm(kind.value, props.score.canvas, props.score.lengthMs, share.value))
// A moving picture as large as the canvas is larger than most places take.
watch(kind, (now) => (share.value = now === 'webp' ? 'half' : 'whole'))
watch(isOpen, (open) => open && !film.making && (film.told = null))

/** Something of its voices is still being spoken: without that it would be silent in the file. */
const isSpeaking = computed(
  () => !speech.refusal && view.voices.sayings.some(({ part }) => !(part.id in view.voices.spoken)),
)
const now = useNow({ interval: 500 })
const visibility = useDocumentVisibility()
const progress = computed(() => {
  const { making } = film
  if (!making) return null
  if (making.framesAll === 0) return { value: undefined, words: 'Loading what it needs…' }
  const { framesDone, framesAll, beganAtMs } = making
  const passedMs = now.value.getTime() - beganAtMs
  const left = framesDone < 10 ? '' : `, about ${span((passedMs * (framesAll - framesDone)) / framesDone)} left`
  const words = framesDone === framesAll ? 'Writing the file…' : `Picture ${framesDone} of ${framesAll}${left}`
  return { value: framesDone / framesAll, words }
})
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="This case as a file">
    <form id="film" class="space-y-5" @submit.prevent="film.make(score, plan, called)">
      <p>
        {{ called }}, {{ seconds(score.lengthMs) }} s, as the stage shows it now: with its sample, its look and its
        sounds. What is empty on the stage is transparent.
      </p>
      <RadioGroup v-model="kind" :disabled="film.making !== null">
        <RadioGroupLabel as="p" class="mb-2 font-medium">As</RadioGroupLabel>
        <div class="grid grid-cols-2 gap-2">
          <RadioGroupOption v-for="{ value, name, words } in kinds" :key="value" v-slot="{ checked }" :value="value">
            <span
              class="block h-full cursor-pointer rounded-sm border p-3"
              :class="checked ? 'border-deep-sky bg-sheet outline-2 outline-deep-sky' : 'border-rule'"
              ><span class="block font-medium">{{ name }}</span
              ><span class="mt-1 block text-faded">{{ words }}</span></span
            >
          </RadioGroupOption>
        </div>
      </RadioGroup>
      <RadioGroup v-model="share" :disabled="film.making !== null">
        <RadioGroupLabel as="p" class="mb-2 font-medium">Size</RadioGroupLabel>
        <div class="grid grid-cols-3 gap-2">
          <RadioGroupOption
            v-for="{ value, widthPx, heightPx } in sizes"
            :key="value"
            v-slot="{ checked }"
            :value="value"
          >
            <span
              class="block cursor-pointer rounded-sm border px-3 py-1.5 text-center tabular-nums"
              :class="checked ? 'border-deep-sky bg-sheet outline-2 outline-deep-sky' : 'border-rule'"
              >{{ widthPx }} × {{ heightPx }}</span
            >
          </RadioGroupOption>
        </div>
        <p class="mt-2 text-faded">{{ framesOf(plan) }} pictures, {{ plan.framesPerSecond }} a second</p>
      </RadioGroup>
    </form>
    <div class="mt-4 min-h-11" role="status">
      <template v-if="progress">
        <progress class="h-1.5 w-full accent-moss" :value="progress.value" max="1" aria-label="How far it is" />
        <p class="flex justify-between gap-3">
          <span>{{ visibility === 'hidden' ? 'It waits until this page is in front' : progress.words }}</span>
          <span class="text-faded">You can close this: it goes on.</span>
        </p>
      </template>
      <p v-else-if="isSpeaking">Its voice is still being spoken…</p>
      <p v-else-if="film.told" :class="film.told.isFault ? 'text-brick' : ''">{{ film.told.words }}</p>
    </div>
    <template #actions>
      <button v-if="film.making" type="button" class="button" @click="film.cancel()">Give it up</button>
      <button v-else type="submit" form="film" class="button button-bolt" :disabled="isSpeaking">Make the file</button>
    </template>
  </PaperDialog>
</template>
