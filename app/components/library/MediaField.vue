<script setup lang="ts">
import { LibraryBig } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { MediaView } from '../../../contract/views.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import MediaPicker from './MediaPicker.vue'
import { gist } from './mediaWords.ts'

/** A file of the library: from a short list, or looked for and heard in the library itself. */
const props = defineProps<{
  mediaId: string | null
  kind: 'picture' | 'sound'
  label: string
  disabled?: boolean
  noneWords?: string
}>()
const emit = defineEmits<{ change: [mediaId: string | null] }>()
const media = useMediaStore()
const isOpen = ref(false)
const labelOf = (file: MediaView) => (file.durationMs === null ? file.name : `${file.name}, ${gist(file)}`)
const choices = computed<Choice<string | null>[]>(() => [
  { value: null, label: props.noneWords ?? `no ${props.kind}` },
  ...media.files
    .filter((file) => file.kind === props.kind)
    .map((file) => ({
      value: file.id,
      label: labelOf(file),
      ...(file.posterUrl ? { pictureUrl: file.posterUrl } : {}),
    })),
])
</script>

<template>
  <div class="grid grid-cols-[minmax(0,1fr)_2rem] gap-1">
    <ChoiceField
      :label="label"
      :value="mediaId"
      :choices="choices"
      :disabled="disabled"
      @change="emit('change', $event)"
    />
    <button
      type="button"
      class="field grid place-items-center p-0!"
      :aria-label="`Look through the library for a ${kind}`"
      title="Look through the library"
      :disabled="disabled"
      @click="isOpen = true"
    >
      <LibraryBig :size="15" aria-hidden="true" />
    </button>
    <MediaPicker
      v-model:open="isOpen"
      :kind="kind"
      :chosen-id="mediaId"
      :title="kind === 'sound' ? 'Choose a sound' : 'Choose a picture'"
      @choose="emit('change', $event.id)"
    />
  </div>
</template>
