<script setup lang="ts">
import { ref } from 'vue'
import { useSaveWords } from '../../composables/useSaveWords.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useSessionStore } from '../../stores/session.ts'
import SizeDialog from '../apply/SizeDialog.vue'

/** Whether what is composed is saved, and for which canvas it is. */
const draft = useDraftStore()
const session = useSessionStore()
const { words, isTrouble } = useSaveWords()
const isSizing = ref(false)
</script>

<template>
  <section class="border-t border-seam pt-3 text-mist" aria-label="Draft">
    <p role="status" :class="isTrouble ? 'text-wrong' : ''">{{ words }}</p>
    <p v-if="draft.document">
      Canvas {{ draft.document.canvas.widthPx }} × {{ draft.document.canvas.heightPx }},
      {{ draft.document.canvas.framesPerSecond }} fps
    </p>
    <template v-if="session.canEdit && draft.document && !draft.document.stays">
      <button type="button" class="link text-left text-snow" @click="isSizing = true">Another size…</button>
      <SizeDialog v-model:open="isSizing" />
    </template>
  </section>
</template>
