<script setup lang="ts">
import { computed } from 'vue'
import { wavePath } from '../../format/wavePath.ts'
import { useMediaStore } from '../../stores/media.ts'

/** A sound's waveform over its clip: as long as the file lasts, the rest stays empty. */
const props = defineProps<{ mediaId: string; lengthMs: number }>()
const media = useMediaStore()
const waveform = computed(() => media.measuredSounds.get(props.mediaId)?.waveform)
const wave = computed(() => (waveform.value ? wavePath(waveform.value.peaks) : null))
const fileMs = computed(() => (waveform.value ? waveform.value.peaks.length * waveform.value.stretchMs : 1))
</script>

<template>
  <svg v-if="wave?.path" :viewBox="`0 0 ${(wave.width * lengthMs) / Math.max(1, fileMs)} 100`" preserveAspectRatio="none" aria-hidden="true"><path :d="wave.path" fill="rgb(255 255 255 / 0.42)" /></svg>
</template>
