<script setup lang="ts">
defineProps<{
  value: number
  label: string
  shown: string
  min: number
  max: number
  step: number
  disabled?: boolean
}>()
const emit = defineEmits<{ change: [value: number] }>()
</script>

<template>
  <span class="flex items-center gap-2">
    <input
      type="range"
      class="h-5 min-w-0 flex-1 accent-deep-sky"
      :value="value"
      :min="min"
      :max="max"
      :step="step"
      :disabled="disabled"
      :aria-label="label"
      :aria-valuetext="shown"
      @input="emit('change', ($event.target as HTMLInputElement).valueAsNumber)"
    />
    <span class="w-18 text-right font-mono text-2xs">{{ shown }}</span>
  </span>
</template>
