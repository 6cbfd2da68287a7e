<script setup lang="ts">
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'

/** One number of a part on a line of its own. `label` is what stands before it, `means` what it is, read aloud. */
withDefaults(
  defineProps<{
    label: string
    means?: string
    value: number
    unit: string
    min: number
    max: number
    step?: number
    decimals?: number
    path?: string
    disabled: boolean
  }>(),
  { step: 1, decimals: 0 },
)
defineEmits<{ change: [value: number] }>()
</script>

<template>
  <FieldRow :label="label" :path="path"
    ><NumberField
      :label="means ?? label"
      :value="value"
      :unit="unit"
      :min="min"
      :max="max"
      :step="step"
      :decimals="decimals"
      :disabled="disabled"
      @change="$emit('change', $event)"
  /></FieldRow>
</template>
