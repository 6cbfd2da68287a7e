<script setup lang="ts">
import { Cast } from '@lucide/vue'
import { saveFile } from '../../format/saveFile.ts'
import { useDraftStore } from '../../stores/draft.ts'
import UndoRedo from '../frame/UndoRedo.vue'
import RollOfKinds from './RollOfKinds.vue'

defineProps<{ canEdit: boolean }>()
defineEmits<{ publish: []; source: [] }>()
const draft = useDraftStore()

/** What the server does not take is not lost: whoever edited has it as a file, and it stays in this browser. */
function keep(): void {
  const text = JSON.stringify(draft.document, null, 2)
  saveFile(new Blob([text], { type: 'application/json' }), `${draft.view?.name ?? 'box'}, my edit.json`)
}
</script>

<template>
  <div class="flex min-h-[3.9rem] min-w-0 items-center justify-between gap-3 bg-night py-1 pr-4 pl-3">
    <h1 v-if="draft.document?.stays" class="truncate pl-1 font-display text-xl font-semibold">
      {{ draft.view?.name }}
    </h1>
    <RollOfKinds v-else :can-edit="canEdit" />
    <div class="flex shrink-0 items-center gap-2">
      <template v-if="draft.saveState === 'refused'">
        <span role="alert" class="text-wrong">The last edits were refused.</span>
        <button type="button" class="button" @click="keep">Keep them as a file</button>
        <button type="button" class="button" @click="draft.loadSaved()">Load what is saved</button>
      </template>
      <template v-if="canEdit">
        <UndoRedo />
        <button type="button" class="button" @click="$emit('source')">
          <Cast :size="16" aria-hidden="true" />Source
        </button>
        <button
          type="button"
          class="button"
          :class="draft.differences.length > 0 ? 'button-bolt' : ''"
          @click="$emit('publish')"
        >
          {{ draft.differences.length > 0 ? `Put on air · ${draft.differences.length}` : 'On air'
          }}<span v-if="draft.differences.length > 0" class="sr-only"> changes</span>
        </button>
      </template>
    </div>
  </div>
</template>
