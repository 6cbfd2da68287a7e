<script setup lang="ts">
import { computed } from 'vue'
import { useMeasuresStore } from '../../stores/measures.ts'

/** A sound's waveform over its clip: as long as the file lasts, the rest stays empty. */
const props = defineProps<{ mediaId: string; lengthMs: number }>()
const measures = useMeasuresStore()
const sound = computed(() => measures.sounds.get(props.mediaId))
const path = computed(() => {
  const { peaks } = sound.value ?? {}
  if (!peaks) return ''
  const top = Array.from(peaks, (peak, index) => `${index} ${(50 - peak * 46).toFixed(1)}`)
  const bottom = Array.from(peaks, (peak, index) => `${index} ${(50 + peak * 46).toFixed(1)}`).reverse()
  return `M${[...top, ...bottom].join('L')}Z`
})
const viewBox = computed(() => `0 0 ${((sound.value?.peaks.length ?? 1) * props.lengthMs) / Math.max(1, sound.value?.durationMs ?? 1)} 100`)
</script>

<template>
  <svg v-if="path" :viewBox="viewBox" preserveAspectRatio="none" aria-hidden="true"><path :d="path" fill="rgb(255 255 255 / 0.42)" /></svg>
</template>
