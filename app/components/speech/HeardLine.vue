<script setup lang="ts">
import { useRafFn } from '@vueuse/core'
import { Play, Square } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import { levellingOf, usualLevel } from '../../../core/audio/level.ts'
import type { SayAnswer } from '../../../contract/speech.ts'
import { useListening } from '../../composables/useListening.ts'
import { seconds } from '../../format/time.ts'
import { wavePath } from '../../format/wavePath.ts'

/** What is read in the end: to be heard, with the word lit that is being read. */
const props = defineProps<{ answer: SayAnswer; voiceName: string; languageName: string }>()
const listening = useListening()
const utterance = computed(() => props.answer.utterance)
const gainDb = computed(() => (utterance.value?.level ? levellingOf(utterance.value.level, usualLevel).gainDb : 0))
const isPlaying = computed(() => utterance.value !== null && listening.isHeard(utterance.value.url, gainDb.value))
const atMs = ref(0)
let startedMs = 0
const frames = useRafFn(() => void (atMs.value = performance.now() - startedMs), { immediate: false })
watch(isPlaying, (plays) => {
  startedMs = performance.now()
  atMs.value = 0
  if (plays) frames.resume()
  else frames.pause()
})
/** The spoken text in pieces, each word by itself. */
const pieces = computed(() => {
  const said = utterance.value
  if (!said) return []
  const letters = [...said.text]
  const cut: { text: string; atMs: number | null; toMs: number }[] = []
  let at = 0
  said.words.forEach((word, index) => {
    if (word.from > at) cut.push({ text: letters.slice(at, word.from).join(''), atMs: null, toMs: 0 })
    cut.push({
      text: letters.slice(Math.max(at, word.from), word.to).join(''),
      atMs: word.atMs,
      toMs: said.words[index + 1]?.atMs ?? said.durationMs,
    })
    at = Math.max(at, word.to)
  })
  return [...cut, { text: letters.slice(at).join(''), atMs: null, toMs: 0 }]
})
const wave = computed(() =>
  utterance.value?.waveform ? wavePath(Uint8Array.from(utterance.value.waveform.peaks)) : null,
)
</script>

<template>
  <div class="rounded-sm bg-ridge p-4">
    <template v-if="utterance">
      <p class="font-display text-xl leading-snug font-semibold break-words" dir="auto">
        <template v-for="(piece, index) in pieces" :key="index"
          ><span
            v-if="piece.atMs !== null"
            :class="isPlaying && atMs >= piece.atMs && atMs < piece.toMs ? 'text-glow' : ''"
            >{{ piece.text }}</span
          ><template v-else>{{ piece.text }}</template></template
        >
      </p>
      <div class="mt-3 flex items-center gap-3">
        <button
          type="button"
          class="button button-bolt shrink-0"
          :aria-pressed="isPlaying"
          @click="listening.toggle(utterance.url, gainDb)"
        >
          <Square v-if="isPlaying" :size="14" aria-hidden="true" /><Play v-else :size="15" aria-hidden="true" />{{
            isPlaying ? 'Stop' : 'Hear it'
          }}
        </button>
        <div class="relative h-9 min-w-0 flex-1 overflow-hidden rounded-xs bg-deep" aria-hidden="true">
          <svg
            v-if="wave?.path"
            class="absolute inset-0 size-full"
            :viewBox="`0 0 ${wave.width} 100`"
            preserveAspectRatio="none"
          >
            <path :d="wave.path" class="fill-mist" />
          </svg>
          <span
            v-if="isPlaying"
            class="absolute inset-y-0 w-0.5 bg-bolt"
            :style="{ left: `${Math.min(100, (atMs / utterance.durationMs) * 100)}%` }"
          />
        </div>
        <span class="shrink-0 font-mono text-xs">{{ seconds(utterance.durationMs) }} s</span>
      </div>
      <p class="mt-2 text-mist">
        In {{ languageName }}, by the voice “{{ voiceName }}”.
        {{
          answer.outcome === 'kept'
            ? 'Nothing was changed.'
            : `${answer.changes.length} ${answer.changes.length === 1 ? 'step' : 'steps'} changed it.`
        }}
      </p>
      <p v-if="listening.refusal.value" role="alert" class="text-wrong">{{ listening.refusal.value }}</p>
    </template>
    <template v-else>
      <p class="font-display text-xl font-semibold">Nothing is read.</p>
      <p class="mt-1 text-mist">{{ answer.reason ?? answer.trouble }} The alert plays all the same, without a voice.</p>
    </template>
  </div>
</template>
