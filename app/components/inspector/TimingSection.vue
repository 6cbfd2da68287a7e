<script setup lang="ts">
import { computed } from 'vue'
import type { Part } from '../../../core/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import { anchorChoices } from './anchorChoices.ts'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Part; parts: readonly Part[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const choices = computed(() => anchorChoices(props.part, props.parts))
const delayName = computed(() => (props.part.kind === 'line' ? 'Text delay' : 'Delay'))
const stays = computed(() => (props.part.clip.end.length === 'fixed' ? 'fixed' : props.part.clip.end.length === 'natural' ? 'natural' : 'until'))
const stayChoices = computed(() => [
  { value: 'until', label: 'until the alert ends' },
  { value: 'fixed', label: 'for a fixed time' },
  ...(props.part.kind === 'sound' ? [{ value: 'natural', label: 'as long as the sound' }] : []),
])

function setStay(length: string): void {
  edit('how long it stays', (draft) => {
    if (length === 'fixed') draft.clip.end = { length: 'fixed', ms: 3000 }
    else if (length === 'natural') draft.clip.end = { length: 'natural', times: 1 }
    else draft.clip.end = { length: 'until', edge: { at: 'score.end', offsetMs: 0 } }
  })
}
</script>

<template>
  <section class="space-y-2 border-t border-rule pt-3">
    <h3 class="caps text-faded">Timing</h3>
    <FieldRow label="Starts">
      <ChoiceField label="Starts" :value="part.clip.start.at" :choices="choices" :disabled="disabled" @change="(at) => edit('anchor', (draft) => void (draft.clip.start.at = at))" />
    </FieldRow>
    <FieldRow :label="delayName">
      <NumberField :label="delayName" :value="part.clip.start.offsetMs / 1000" unit="s" :step="0.05" :min="-20" :max="20" :decimals="2" :disabled="disabled" @change="(s) => edit('delay', (draft) => void (draft.clip.start.offsetMs = Math.round(s * 1000)))" />
    </FieldRow>
    <FieldRow label="Stays">
      <ChoiceField label="Stays" :value="stays" :choices="stayChoices" :disabled="disabled" @change="setStay" />
    </FieldRow>
    <FieldRow v-if="part.clip.end.length === 'fixed'" label="For">
      <NumberField label="Stays for" :value="part.clip.end.ms / 1000" unit="s" :step="0.1" :min="0.1" :max="60" :decimals="2" :disabled="disabled" @change="(s) => edit('how long it stays', (draft) => void (draft.clip.end = { length: 'fixed', ms: Math.round(s * 1000) }))" />
    </FieldRow>
  </section>
</template>
