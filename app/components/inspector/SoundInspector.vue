<script setup lang="ts">
import { computed } from 'vue'
import type { Sound } from '../../../core/parts/sound/schema.ts'
import { seconds } from '../../format/time.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import RangeField from '../fields/RangeField.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Sound; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const media = useMediaStore()
const choices = computed<Choice<string | null>[]>(() => [
  { value: null, label: 'no sound' },
  ...media.sounds.map((file) => ({ value: file.id, label: `${file.name}, ${seconds(file.durationMs ?? 0)} s` })),
])
</script>

<template>
  <section class="space-y-2">
    <FieldRow label="File"><ChoiceField label="Sound" :value="part.mediaId" :choices="choices" :disabled="disabled" @change="(mediaId) => edit('sound', (draft) => void (draft.mediaId = mediaId))" /></FieldRow>
    <FieldRow label="Volume"><RangeField label="Volume" :value="part.gainDb" :shown="`${part.gainDb.toFixed(1)} dB`" :min="-40" :max="6" :step="0.5" :disabled="disabled" @change="(gainDb) => edit('volume', (draft) => void (draft.gainDb = gainDb))" /></FieldRow>
    <FieldRow label="Muted">
      <label class="flex items-center gap-2"><input type="checkbox" class="size-4 accent-deep-sky" :checked="part.isMuted" :disabled="disabled" @change="edit('muted', (draft) => void (draft.isMuted = !draft.isMuted))" />not heard on air</label>
    </FieldRow>
  </section>
</template>
