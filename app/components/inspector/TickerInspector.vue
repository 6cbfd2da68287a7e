<script setup lang="ts">
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import DialKnob from '../dials/DialKnob.vue'
import TemplateField from './TemplateField.vue'
import TextSection from './TextSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'ticker'>; look: Look; kinds: readonly EventKind[]; disabled: boolean }>()
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
    <FieldRow label="Runs" path="pxPerS"
      ><NumberField
        label="Speed to the left"
        :value="part.pxPerS"
        unit="px/s"
        :min="-4000"
        :max="4000"
        :step="10"
        :disabled="disabled"
        @change="(pxPerS) => edit('speed', (draft) => void (draft.pxPerS = pxPerS))"
    /></FieldRow>
    <FieldRow label="Window">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="Width of the window"
          :value="part.widthPx"
          unit="w"
          :min="20"
          :max="8000"
          :step="10"
          :disabled="disabled"
          @change="(widthPx) => edit('width', (draft) => void (draft.widthPx = widthPx))"
        />
        <NumberField
          label="Gap between copies"
          :value="part.gapPx"
          unit="gap"
          :min="0"
          :max="4000"
          :step="5"
          :disabled="disabled"
          @change="(gapPx) => edit('gap', (draft) => void (draft.gapPx = gapPx))"
        />
      </div>
    </FieldRow>
    <TextSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
