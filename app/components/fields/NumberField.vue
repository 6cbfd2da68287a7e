<script setup lang="ts">
import { computed } from 'vue'

/** A number with its unit. Emits while it is typed or stepped; what is outside the range is pulled into it. */
const props = withDefaults(
  defineProps<{
    value: number
    unit?: string
    label?: string
    labelId?: string
    min?: number
    max?: number
    step?: number
    decimals?: number
    disabled?: boolean
  }>(),
  { unit: '', step: 1, decimals: 0 },
)
const emit = defineEmits<{ change: [value: number] }>()
const shown = computed(() => props.value.toFixed(props.decimals))

function read(event: Event): void {
  const field = event.target as HTMLInputElement
  const typed = field.valueAsNumber
  if (!Number.isFinite(typed)) return
  const kept = Math.min(props.max ?? Infinity, Math.max(props.min ?? -Infinity, typed))
  if (kept !== props.value) emit('change', kept)
}
function tidy(event: Event): void {
  read(event)
  const field = event.target as HTMLInputElement
  field.value = shown.value
}
</script>

<template>
  <span class="relative block">
    <input
      type="number"
      class="field text-right font-mono text-xs [appearance:textfield] [&::-webkit-inner-spin-button]:appearance-none"
      :style="{ paddingRight: `${unit.length * 0.42 + 0.75}rem` }"
      :value="shown"
      :min="min"
      :max="max"
      :step="step"
      :disabled="disabled"
      :aria-label="label"
      :aria-labelledby="labelId"
      @change="tidy"
      @keydown.up.down="$nextTick(() => read($event))"
    />
    <span class="pointer-events-none absolute inset-y-0 right-2 grid place-items-center text-2xs text-faded">{{
      unit
    }}</span>
  </span>
</template>
