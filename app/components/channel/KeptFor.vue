<script setup lang="ts">
/** How long something is kept. */
defineProps<{ label: string; days: number | null }>()
const emit = defineEmits<{ change: [days: number | null] }>()
const offered = [
  { days: 30, words: '30 days' },
  { days: 90, words: '90 days' },
  { days: 365, words: 'a year' },
  { days: 1_095, words: 'three years' },
]
function choose(event: Event): void {
  const { value } = event.target as HTMLSelectElement
  emit('change', value === '' ? null : Number(value))
}
</script>

<template>
  <label class="flex items-center justify-between gap-3">
    <span>{{ label }}</span>
    <select class="field w-40!" :value="days ?? ''" @change="choose">
      <option value="">for good</option>
      <option v-for="each in offered" :key="each.days" :value="each.days">{{ each.words }}</option>
      <option v-if="days !== null && !offered.some((each) => each.days === days)" :value="days">{{ days }} days</option>
    </select>
  </label>
</template>
