<script setup lang="ts">
import { useSaveWords } from '../../composables/useSaveWords.ts'
import { saveFile } from '../../format/saveFile.ts'
import { useDraftStore } from '../../stores/draft.ts'

/** Whether what is composed is saved, and for which canvas it is. */
const draft = useDraftStore()
const { words, isTrouble } = useSaveWords()

/** What the server does not take is not lost: whoever edited has it as a file, and it stays in this browser. */
function keep(): void {
  const text = JSON.stringify(draft.document, null, 2)
  saveFile(new Blob([text], { type: 'application/json' }), 'my-edit.json')
}
</script>

<template>
  <section class="border-t border-seam pt-3 text-mist" aria-label="Draft">
    <p role="status" :class="isTrouble ? 'text-wrong' : ''">{{ words }}</p>
    <button v-if="draft.saveState === 'refused'" type="button" class="button my-1.5" @click="keep">
      Keep my edit as a file
    </button>
    <p v-if="draft.document">
      Canvas {{ draft.document.canvas.widthPx }} × {{ draft.document.canvas.heightPx }},
      {{ draft.document.canvas.framesPerSecond }} fps
    </p>
  </section>
</template>
