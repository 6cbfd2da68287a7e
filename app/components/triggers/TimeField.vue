<script setup lang="ts">
import { clockWords } from '../../../core/time/clockWords.ts'
import TypedField from '../fields/TypedField.vue'

/** A minute of the day, as a clock shows it. */
defineProps<{ minute: number; label: string }>()
const emit = defineEmits<{ change: [minute: number] }>()
function take(typed: string): void {
  const [, hours, minutes] = /^(\d{1,2}):(\d{2})$/.exec(typed) ?? []
  const minute = Number(hours) * 60 + Number(minutes)
  if (Number.isInteger(minute) && minute < 24 * 60) emit('change', minute)
}
</script>

<template>
  <TypedField
    type="time"
    class="field font-mono text-xs"
    :aria-label="label"
    :value="clockWords(minute)"
    @change="take"
  />
</template>
