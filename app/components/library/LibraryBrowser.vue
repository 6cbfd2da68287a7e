<script setup lang="ts">
import { useDropZone, useEventListener, useFileDialog } from '@vueuse/core'
import { ArrowDownToLine, Play, Search, Square, Upload } from '@lucide/vue'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import type { MediaView } from '../../../contract/views.ts'
import { wordsOf } from '../../api/request.ts'
import { useListening } from '../../composables/useListening.ts'
import { rememberGiven } from '../../library/arrivalSound.ts'
import { filterMedia, tagsOf, type MediaFilter } from '../../library/sorting.ts'
import { watchSights } from '../../library/watchSights.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useUploadsStore } from '../../stores/uploads.ts'
import ArrivalList from './ArrivalList.vue'
import { gainFor } from '../../library/gainFor.ts'
import MediaThumb from './MediaThumb.vue'
import { gist } from './mediaWords.ts'

/** The library: adding files, finding them, hearing and seeing them. What is chosen is up to whoever shows it. */
const props = defineProps<{ chosenId: string | null; onlyKind?: MediaView['kind'] }>()
const emit = defineEmits<{ choose: [file: MediaView]; confirm: [file: MediaView] }>()
const media = useMediaStore()
const uploads = useUploadsStore()
const session = useSessionStore()
const listening = useListening()
const place = ref<HTMLElement>()
const filter = ref<MediaFilter>({ kind: props.onlyKind ?? 'all', words: '', tag: null })
const lookedAt = ref<string | null>(null)
const refusal = ref('')
const kinds = [
  { kind: 'all', label: 'All' },
  { kind: 'picture', label: 'Pictures' },
  { kind: 'sound', label: 'Sounds' },
  { kind: 'font', label: 'Fonts' },
] as const
const shown = computed(() => filterMedia(media.files, filter.value))
const tags = computed(() =>
  tagsOf(media.files.filter((file) => filter.value.kind === 'all' || file.kind === filter.value.kind)).slice(0, 8),
)

function add(files: readonly File[] | null): void {
  if (!files?.length || !session.canEdit) return
  rememberGiven(files)
  uploads.send([...files])
}
const { open, onChange } = useFileDialog({ multiple: true })
onChange((files) => add(files ? [...files] : null))
const { isOverDropZone } = useDropZone(place, { onDrop: add, multiple: true })
useEventListener('paste', (event: ClipboardEvent) => {
  const files = [...(event.clipboardData?.files ?? [])]
  if (files.length === 0) return
  event.preventDefault()
  add(files)
})
onMounted(() => {
  media.ensureLoaded().catch((error: unknown) => (refusal.value = wordsOf(error)))
  watchSights()
})
onBeforeUnmount(listening.stop)
</script>

<template>
  <div ref="place" class="relative flex h-full min-h-0 flex-col gap-3">
    <div class="flex flex-wrap items-center gap-2">
      <label class="relative min-w-48 flex-1"
        ><Search :size="15" class="absolute top-1/2 left-2.5 -translate-y-1/2 text-faded" aria-hidden="true" /><input
          v-model="filter.words"
          type="search"
          class="field pl-8"
          placeholder="Find by name or tag"
          aria-label="Find by name or tag"
      /></label>
      <div
        v-if="!onlyKind"
        class="flex overflow-hidden rounded-sm border border-seam"
        role="group"
        aria-label="Kind of file"
      >
        <button
          v-for="each in kinds"
          :key="each.kind"
          type="button"
          class="min-h-8 px-3"
          :class="filter.kind === each.kind ? 'bg-clip font-semibold text-snow' : 'hover:bg-ridge'"
          :aria-pressed="filter.kind === each.kind"
          @click="filter = { ...filter, kind: each.kind, tag: null }"
        >
          {{ each.label }}
        </button>
      </div>
      <button v-if="session.canEdit" type="button" class="button button-bolt" @click="open()">
        <Upload :size="15" aria-hidden="true" />Add files
      </button>
    </div>
    <div v-if="tags.length > 0" class="flex flex-wrap gap-1.5" role="group" aria-label="Tags">
      <button
        v-for="tag in tags"
        :key="tag"
        type="button"
        class="rounded-full border px-2.5 py-0.5 text-2xs"
        :class="filter.tag === tag ? 'border-sky bg-clip text-snow' : 'border-seam hover:border-mist'"
        :aria-pressed="filter.tag === tag"
        @click="filter = { ...filter, tag: filter.tag === tag ? null : tag }"
      >
        {{ tag }}
      </button>
    </div>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <ArrivalList class="max-h-64 shrink-0 overflow-y-auto" />
    <ul
      v-if="shown.length > 0"
      class="grid min-h-0 flex-1 auto-rows-min grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-3 overflow-y-auto p-0.5"
      aria-label="Files"
    >
      <li
        v-for="file in shown"
        :key="file.id"
        class="relative"
        @mouseenter="lookedAt = file.id"
        @mouseleave="lookedAt = null"
      >
        <button
          type="button"
          class="block w-full overflow-hidden rounded-sm border text-left"
          :class="chosenId === file.id ? 'border-sky outline-1 outline-sky' : 'border-seam hover:border-mist'"
          :aria-pressed="chosenId === file.id"
          @focus="lookedAt = file.id"
          @blur="lookedAt = null"
          @click="emit('choose', file)"
          @dblclick="emit('confirm', file)"
        >
          <span class="block aspect-[4/3]"><MediaThumb :file="file" :is-looked-at="lookedAt === file.id" /></span>
          <span class="block bg-ridge px-2 py-1.5"
            ><span class="block truncate font-medium">{{ file.name }}</span
            ><span class="block truncate text-2xs text-mist">{{ gist(file) }}</span></span
          >
        </button>
        <button
          v-if="file.kind === 'sound'"
          type="button"
          class="absolute top-1.5 right-1.5 grid size-7 place-items-center rounded-full bg-night/80 text-snow hover:bg-night"
          :aria-label="listening.isHeard(file.url, gainFor(file)) ? `Stop ${file.name}` : `Listen to ${file.name}`"
          @click="listening.toggle(file.url, gainFor(file))"
        >
          <Square v-if="listening.isHeard(file.url, gainFor(file))" :size="12" aria-hidden="true" /><Play
            v-else
            :size="13"
            aria-hidden="true"
          />
        </button>
      </li>
    </ul>
    <div v-else-if="media.isLoaded" class="grid min-h-0 flex-1 place-items-center text-center">
      <div class="max-w-sm">
        <p class="font-display text-lg font-semibold">
          {{ media.files.length === 0 ? 'Nothing here yet' : 'No file fits' }}
        </p>
        <p class="mt-1 opacity-80">
          {{
            media.files.length === 0
              ? 'Drop pictures, videos, sounds or fonts here, paste them, or press “Add files”. Each is measured before it can be used.'
              : 'Try another word, another kind, or add the file.'
          }}
        </p>
      </div>
    </div>
    <p v-else class="opacity-80">Loading…</p>
    <p v-if="listening.refusal.value" role="alert" class="text-wrong">{{ listening.refusal.value }}</p>
    <div
      v-if="isOverDropZone && session.canEdit"
      class="pointer-events-none absolute inset-0 z-10 grid place-items-center rounded-sm border-2 border-dashed border-sky bg-night/85 text-snow"
    >
      <span class="flex items-center gap-2 font-display text-xl"
        ><ArrowDownToLine :size="22" aria-hidden="true" />Drop to add to the library</span
      >
    </div>
  </div>
</template>
