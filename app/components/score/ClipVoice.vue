<script setup lang="ts">
import { computed } from 'vue'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useSpeechStore } from '../../stores/speech.ts'
import ClipWave from './ClipWave.vue'

/** What a voice says over its clip: the waveform of each thing that it says, and where its words begin. */
const props = defineProps<{ partId: string; lengthMs: number }>()
const view = useRoomViewStore()
const speech = useSpeechStore()
const room = useScoreRoomStore()
const pauseMs = computed(() => {
  const part = room.parts.find(({ id }) => id === props.partId)
  return part?.kind === 'voice' ? part.pauseMs : 0
})
const said = computed(() => {
  let atMs = 0
  return (view.voices.spoken[props.partId] ?? []).map((utterance) => {
    const startMs = atMs
    atMs += utterance.durationMs + pauseMs.value
    return { ...utterance, startMs, wave: speech.measured[utterance.url]?.waveform }
  })
})
const share = (ms: number) => `${(ms / Math.max(1, props.lengthMs)) * 100}%`
</script>

<template>
  <span class="absolute inset-0" aria-hidden="true">
    <span
      v-for="each in said"
      :key="`${each.of}-${each.url}`"
      class="absolute inset-y-0 border-l border-white/40 first:border-l-0"
      :style="{ left: share(each.startMs), width: share(each.durationMs) }"
    >
      <ClipWave
        v-if="each.wave"
        :waveform="each.wave"
        :length-ms="each.durationMs"
        class="absolute inset-0 size-full"
      />
      <span
        v-for="word in each.words"
        :key="word.atMs"
        class="absolute bottom-0 h-1.5 w-px bg-white/80"
        :style="{ left: `${(word.atMs / each.durationMs) * 100}%` }"
      />
    </span>
  </span>
</template>
