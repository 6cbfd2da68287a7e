<script setup lang="ts">
import type { LivePartKind, PartOf } from '../../../core/score/parts/part.ts'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import { usePartEdit } from './usePartEdit.ts'

/** The width and height of a part that has both. */
const props = defineProps<{
  part: PartOf<'picture' | 'shape' | 'backdrop' | 'draw' | 'code' | LivePartKind>
  label: string
  disabled: boolean
}>()
const edit = usePartEdit<'picture' | 'shape' | 'backdrop' | 'draw' | 'code' | LivePartKind>(() => props.part)
</script>

<template>
  <FieldRow :label="label" path="widthPx">
    <div class="grid grid-cols-2 gap-2">
      <NumberField
        label="Width"
        :value="part.widthPx"
        unit="w"
        :min="1"
        :max="8000"
        :step="10"
        :disabled="disabled"
        @change="(widthPx) => edit('width', (draft) => void (draft.widthPx = widthPx))"
      />
      <NumberField
        label="Height"
        :value="part.heightPx"
        unit="h"
        :min="1"
        :max="8000"
        :step="10"
        :disabled="disabled"
        @change="(heightPx) => edit('height', (draft) => void (draft.heightPx = heightPx))"
      />
    </div>
  </FieldRow>
</template>
