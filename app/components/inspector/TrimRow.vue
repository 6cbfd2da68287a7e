<script setup lang="ts">
import { signedDb } from '../../format/signedDb.ts'
import FieldRow from '../fields/FieldRow.vue'
import RangeField from '../fields/RangeField.vue'

/** What a person adds to the leveller, in decibels. */
defineProps<{ label: string; trimDb: number; disabled: boolean }>()
const emit = defineEmits<{ change: [trimDb: number] }>()
</script>

<template>
  <FieldRow label="Your trim" path="trimDb"
    ><RangeField
      :label="label"
      :value="trimDb"
      :shown="signedDb(trimDb)"
      :min="-40"
      :max="12"
      :step="0.5"
      :disabled="disabled"
      @change="emit('change', $event)"
  /></FieldRow>
</template>
