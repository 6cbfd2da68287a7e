<script setup lang="ts">
import { computed } from 'vue'
import type { Picture } from '../../../core/parts/picture/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Picture; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const media = useMediaStore()
const choices = computed<Choice<string | null>[]>(() => [
  { value: null, label: 'no picture' },
  ...media.pictures.map((file) => ({ value: file.id, label: file.name, pictureUrl: file.url })),
])
</script>

<template>
  <section class="space-y-2">
    <FieldRow label="File"><ChoiceField label="Picture" :value="part.mediaId" :choices="choices" :disabled="disabled" @change="(mediaId) => edit('picture', (draft) => void (draft.mediaId = mediaId))" /></FieldRow>
    <FieldRow label="Fits into">
      <div class="grid grid-cols-2 gap-2">
        <NumberField label="Width" :value="part.widthPx" unit="w" :min="1" :max="8000" :step="10" :disabled="disabled" @change="(widthPx) => edit('width', (draft) => void (draft.widthPx = widthPx))" />
        <NumberField label="Height" :value="part.heightPx" unit="h" :min="1" :max="8000" :step="10" :disabled="disabled" @change="(heightPx) => edit('height', (draft) => void (draft.heightPx = heightPx))" />
      </div>
    </FieldRow>
    <FieldRow label="Turned"><NumberField label="Turned" :value="part.rotationDeg" unit="°" :min="-360" :max="360" :disabled="disabled" @change="(rotationDeg) => edit('turned', (draft) => void (draft.rotationDeg = rotationDeg))" /></FieldRow>
    <FieldRow label="Mirrored">
      <label class="flex items-center gap-2"><input type="checkbox" class="size-4 accent-deep-sky" :checked="part.isMirrored" :disabled="disabled" @change="edit('mirrored', (draft) => void (draft.isMirrored = !draft.isMirrored))" />left to right</label>
    </FieldRow>
  </section>
</template>
