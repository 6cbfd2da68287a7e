<script setup lang="ts">
import { daysWords } from '../../../core/gate/gateSentences.ts'

/** Days of the week; 0 is Monday. One at least stays. */
const props = defineProps<{ days: readonly number[] }>()
const emit = defineEmits<{ change: [days: number[]] }>()
const all = [0, 1, 2, 3, 4, 5, 6]
function turn(day: number): void {
  const next = props.days.includes(day) ? props.days.filter((each) => each !== day) : [...props.days, day]
  if (next.length > 0)
    emit(
      'change',
      next.toSorted((a, b) => a - b),
    )
}
</script>

<template>
  <div class="flex gap-1" role="group" aria-label="On these days">
    <button
      v-for="day in all"
      :key="day"
      type="button"
      class="rounded-sm border px-1.5 py-0.5 text-xs"
      :class="days.includes(day) ? 'border-ink bg-ink text-paper' : 'border-rule text-faded'"
      :aria-pressed="days.includes(day)"
      @click="turn(day)"
    >
      {{ daysWords([day]) }}
    </button>
  </div>
</template>
