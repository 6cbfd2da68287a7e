<script setup lang="ts">
import { computed } from 'vue'
import type { WaveformLevel } from '../../../core/audio/soundMeter.ts'
import type { OwnSoundRow } from '../../../core/score/rows.ts'
import { wavePath } from '../../format/wavePath.ts'

/** A waveform over a clip: as long as it lasts, the rest stays empty; of a video that begins again, anew in each round. */
const props = defineProps<{ waveform: WaveformLevel; lengthMs: number; ownSound?: OwnSoundRow | null }>()
const roundsMost = 200
const wave = computed(() => wavePath(props.waveform.peaks))
const fileMs = computed(() => Math.max(1, props.waveform.peaks.length * props.waveform.stretchMs))
/** How wide a millisecond is in the path's own units. */
const unit = computed(() => wave.value.width / fileMs.value)
const begins = computed(() => {
  const { startsMs, roundMs } = props.ownSound ?? { startsMs: 0, roundMs: null }
  if (roundMs === null) return [startsMs]
  const rounds = Math.min(roundsMost, Math.ceil(props.lengthMs / Math.max(1, roundMs)))
  return Array.from({ length: rounds }, (_, round) => round * roundMs + startsMs)
})
const widthOfRound = computed(() => (props.ownSound?.roundMs ?? Infinity) - (props.ownSound?.startsMs ?? 0))
</script>

<template>
  <svg v-if="wave.path" :viewBox="`0 0 ${lengthMs * unit} 100`" preserveAspectRatio="none" aria-hidden="true">
    <svg
      v-for="atMs in begins"
      :key="atMs"
      :x="atMs * unit"
      y="0"
      :width="Math.min(widthOfRound, fileMs) * unit"
      height="100"
    >
      <path :d="wave.path" fill="rgb(255 255 255 / 0.42)" />
    </svg>
  </svg>
</template>
