<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { outlines } from '../../../core/score/parts/shape/schema.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'
import CheckRow from './CheckRow.vue'
import SizeRow from './SizeRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'shape'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const choices = outlines.map((value) => ({ value, label: value }))
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="Form"
      ><ChoiceField
        label="Form"
        :value="part.form"
        :choices="choices"
        :disabled="disabled"
        @change="(form) => edit('form', (draft) => void (draft.form = form))"
    /></FieldRow>
    <SizeRow :part="part" label="Size" :disabled="disabled" />
    <FieldRow v-if="part.form === 'rectangle' || part.form === 'bubble'" label="Corners" path="cornerPx"
      ><NumberField
        label="Corners"
        :value="part.cornerPx"
        unit="px"
        :min="0"
        :max="2000"
        :disabled="disabled"
        @change="(cornerPx) => edit('corners', (draft) => void (draft.cornerPx = cornerPx))"
    /></FieldRow>
    <CheckRow
      label="Filled"
      words="with a colour"
      :checked="part.fill !== null"
      :disabled="disabled"
      @change="(isFilled) => edit('fill', (draft) => void (draft.fill = isFilled ? { role: 'plate' } : null))"
    />
    <FieldRow v-if="part.fill" label="Fill" path="fill"
      ><InkField
        label="Fill"
        :ink="part.fill"
        :look="look"
        :disabled="disabled"
        @change="(fill) => edit('fill', (draft) => void (draft.fill = fill))"
    /></FieldRow>
    <FieldRow label="Stroke" path="stroke.ink"
      ><InkField
        label="Stroke"
        :ink="part.stroke.ink"
        :look="look"
        :disabled="disabled"
        @change="(ink) => edit('stroke', (draft) => void (draft.stroke.ink = ink))"
    /></FieldRow>
    <FieldRow label="Stroke width" path="stroke.widthPx"
      ><NumberField
        label="Stroke width"
        :value="part.stroke.widthPx"
        unit="px"
        :min="0"
        :max="200"
        :disabled="disabled"
        @change="(widthPx) => edit('stroke width', (draft) => void (draft.stroke.widthPx = widthPx))"
    /></FieldRow>
  </div>
</template>
