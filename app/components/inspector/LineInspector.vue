<script setup lang="ts">
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { Part, PartOf } from '../../../core/score/parts/part.ts'
import DialKnob from '../dials/DialKnob.vue'
import LettersSection from './LettersSection.vue'
import ReadAlongSection from './ReadAlongSection.vue'
import TemplateField from './TemplateField.vue'
import TextSection from './TextSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{
  part: PartOf<'line'>
  look: Look
  kinds: readonly EventKind[]
  parts: readonly Part[]
  disabled: boolean
}>()
const edit = usePartEdit(() => props.part)
</script>

<template>
  <div class="space-y-2">
    <div class="flex items-start gap-2">
      <TemplateField
        class="min-w-0 flex-1"
        :value="part.template"
        :label="`Words of ${part.name}`"
        :kinds="kinds"
        :disabled="disabled"
        @change="(template) => edit('words', (draft) => void (draft.template = template))"
      /><DialKnob path="template" label="Words" />
    </div>
    <TextSection :part="part" :look="look" :disabled="disabled" />
    <LettersSection :part="part" :disabled="disabled" />
    <ReadAlongSection
      :part="part"
      :look="look"
      :has-voice="parts.some(({ kind }) => kind === 'voice')"
      :disabled="disabled"
    />
  </div>
</template>
