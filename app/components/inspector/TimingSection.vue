<script setup lang="ts">
import { computed } from 'vue'
import { untilTheEnd } from '../../../core/composition/untilTheEnd.ts'
import type { Part } from '../../../core/score/parts/part.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import { anchorChoices } from './anchorChoices.ts'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Part; parts: readonly Part[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part, 'one')
const startChoices = computed(() => anchorChoices(props.part, props.parts, 'start'))
const endChoices = computed(() => anchorChoices(props.part, props.parts, 'end'))
const delayName = computed(() => (props.part.kind === 'line' || props.part.kind === 'message' ? 'Text delay' : 'Delay'))
const stays = computed(() => props.part.clip.end.length)
const naturalWords: Partial<Record<Part['kind'], string>> = {
  sound: 'as long as the sound',
  picture: 'as long as the file',
  message: 'as long as reading takes',
  particles: 'as long as they fly',
  voice: 'as long as it speaks',
  draw: 'as long as the draw takes',
}
const stayChoices = computed<Choice<typeof stays.value>[]>(() => {
  const natural = naturalWords[props.part.kind]
  return [
    { value: 'until', label: 'until…' },
    { value: 'fixed', label: 'for a fixed time' },
    ...(natural ? [{ value: 'natural' as const, label: natural }] : []),
  ]
})

function setStay(length: typeof stays.value): void {
  edit('how long it stays', (draft) => {
    if (length === 'fixed') draft.clip.end = { length: 'fixed', ms: 3000 }
    else if (length === 'natural') draft.clip.end = { length: 'natural', times: 1 }
    else draft.clip.end = untilTheEnd()
  })
}
</script>

<template>
  <InspectorSection title="Timing">
    <FieldRow label="Starts"
      ><ChoiceField
        label="Starts"
        :value="part.clip.start.at"
        :choices="startChoices"
        :disabled="disabled"
        @change="(at) => edit('anchor', (draft) => void (draft.clip.start.at = at))"
    /></FieldRow>
    <FieldRow :label="delayName"
      ><NumberField
        :label="delayName"
        :value="part.clip.start.offsetMs / 1000"
        unit="s"
        :step="0.05"
        :min="-20"
        :max="20"
        :decimals="2"
        :disabled="disabled"
        @change="(s) => edit('delay', (draft) => void (draft.clip.start.offsetMs = Math.round(s * 1000)))"
    /></FieldRow>
    <FieldRow label="Stays"
      ><ChoiceField label="Stays" :value="stays" :choices="stayChoices" :disabled="disabled" @change="setStay"
    /></FieldRow>
    <FieldRow v-if="part.clip.end.length === 'fixed'" label="For"
      ><NumberField
        label="Stays for"
        :value="part.clip.end.ms / 1000"
        unit="s"
        :step="0.1"
        :min="0.05"
        :max="60"
        :decimals="2"
        :disabled="disabled"
        @change="
          (s) =>
            edit('how long it stays', (draft) => void (draft.clip.end = { length: 'fixed', ms: Math.round(s * 1000) }))
        "
    /></FieldRow>
    <FieldRow v-else-if="part.clip.end.length === 'natural'" label="Times"
      ><NumberField
        label="Times"
        :value="part.clip.end.times"
        unit="×"
        :min="1"
        :max="100"
        :disabled="disabled"
        @change="
          (times) =>
            edit('how often', (draft) => void (draft.clip.end = { length: 'natural', times: Math.round(times) }))
        "
    /></FieldRow>
    <template v-else>
      <FieldRow label="Until"
        ><ChoiceField
          label="Until"
          :value="part.clip.end.edge.at"
          :choices="endChoices"
          :disabled="disabled"
          @change="
            (at) =>
              edit('end anchor', (draft) => void (draft.clip.end.length === 'until' && (draft.clip.end.edge.at = at)))
          "
      /></FieldRow>
      <FieldRow label="And then"
        ><NumberField
          label="Offset of the end"
          :value="part.clip.end.edge.offsetMs / 1000"
          unit="s"
          :step="0.05"
          :min="-60"
          :max="60"
          :decimals="2"
          :disabled="disabled"
          @change="
            (s) =>
              edit(
                'end offset',
                (draft) =>
                  void (draft.clip.end.length === 'until' && (draft.clip.end.edge.offsetMs = Math.round(s * 1000))),
              )
          "
      /></FieldRow>
    </template>
  </InspectorSection>
</template>
