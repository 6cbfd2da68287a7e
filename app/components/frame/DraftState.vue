<script setup lang="ts">
import { useSaveWords } from '../../composables/useSaveWords.ts'
import { useDraftStore } from '../../stores/draft.ts'

/** Whether what is composed is saved, and for which canvas it is. */
const draft = useDraftStore()
const { words, isTrouble } = useSaveWords()
</script>

<template>
  <section class="border-t border-seam pt-3 text-mist" aria-label="Draft">
    <p role="status" :class="isTrouble ? 'text-wrong' : ''">{{ words }}</p>
    <p v-if="draft.document">
      Canvas {{ draft.document.canvas.widthPx }} × {{ draft.document.canvas.heightPx }},
      {{ draft.document.canvas.framesPerSecond }} fps
    </p>
  </section>
</template>
