<script setup lang="ts">
import { Redo2, Undo2 } from '@lucide/vue'
import { useDraftStore } from '../../stores/draft.ts'

/** Takes the newest step of the draft back, or does it again. */
const draft = useDraftStore()
</script>

<template>
  <button
    type="button"
    class="button px-2"
    :disabled="!draft.undoLabel"
    :aria-label="`Undo ${draft.undoLabel ?? ''}`"
    :title="draft.undoLabel ? `Undo: ${draft.undoLabel}` : 'Nothing to undo'"
    @click="draft.undo()"
  >
    <Undo2 :size="16" aria-hidden="true" />
  </button>
  <button
    type="button"
    class="button px-2"
    :disabled="!draft.redoLabel"
    :aria-label="`Redo ${draft.redoLabel ?? ''}`"
    :title="draft.redoLabel ? `Redo: ${draft.redoLabel}` : 'Nothing to redo'"
    @click="draft.redo()"
  >
    <Redo2 :size="16" aria-hidden="true" />
  </button>
</template>
