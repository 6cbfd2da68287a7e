<script setup lang="ts">
import { computed } from 'vue'
import type { WaveformLevel } from '../../../core/audio/soundMeter.ts'
import { wavePath } from '../../format/wavePath.ts'

/** A waveform over a clip: as long as it lasts, the rest stays empty. */
const props = defineProps<{ waveform: WaveformLevel; lengthMs: number }>()
const wave = computed(() => wavePath(props.waveform.peaks))
const fileMs = computed(() => props.waveform.peaks.length * props.waveform.stretchMs)
</script>

<template>
  <svg
    v-if="wave.path"
    :viewBox="`0 0 ${(wave.width * lengthMs) / Math.max(1, fileMs)} 100`"
    preserveAspectRatio="none"
    aria-hidden="true"
  >
    <path :d="wave.path" fill="rgb(255 255 255 / 0.42)" />
  </svg>
</template>
