<script setup lang="ts">
import { computed } from 'vue'
import type { Sound } from '../../../core/parts/sound/schema.ts'
import { seconds } from '../../format/time.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import RangeField from '../fields/RangeField.vue'
import CheckRow from './CheckRow.vue'
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
    <CheckRow label="Muted" words="not heard on air" :checked="part.isMuted" :disabled="disabled" @change="(isMuted) => edit('muted', (draft) => void (draft.isMuted = isMuted))" />
    <FieldRow label="Fades">
      <div class="grid grid-cols-2 gap-2">
        <NumberField label="Fades in over" :value="part.fadeInMs / 1000" unit="in" :min="0" :max="20" :step="0.05" :decimals="2" :disabled="disabled" @change="(s) => edit('fade in', (draft) => void (draft.fadeInMs = Math.round(s * 1000)))" />
        <NumberField label="Fades out over" :value="part.fadeOutMs / 1000" unit="out" :min="0" :max="20" :step="0.05" :decimals="2" :disabled="disabled" @change="(s) => edit('fade out', (draft) => void (draft.fadeOutMs = Math.round(s * 1000)))" />
      </div>
    </FieldRow>
  </section>
</template>
