<script setup lang="ts">
import { diffWordsWithSpace } from 'diff'
import { computed } from 'vue'
import type { SpeechChange } from '../../../core/speech/cleanSpeech.ts'
import { stepWords } from './stepWords.ts'

/** What each step took away or changed, one under the other. */
const props = defineProps<{ changes: readonly SpeechChange[] }>()
const shown = 1200
const rows = computed(() =>
  props.changes.map((change) => ({
    ...change,
    pieces: diffWordsWithSpace(change.before.slice(0, shown), change.after.slice(0, shown)),
  })),
)
</script>

<template>
  <ol class="divide-y divide-rule border-y border-rule">
    <li v-for="(row, index) in rows" :key="index" class="grid grid-cols-[11rem_minmax(0,1fr)] gap-3 py-2">
      <p class="text-faded">
        <span class="mr-1.5 font-mono text-2xs">{{ index + 1 }}</span>{{ stepWords[row.step] }}
      </p>
      <p
        class="max-h-24 min-w-0 overflow-y-auto break-words whitespace-pre-wrap"
        tabindex="0"
        :aria-label="`After this step: ${row.after || 'nothing'}`"
      >
        <template v-for="(piece, at) in row.pieces" :key="at"
          ><del v-if="piece.removed" class="rounded-xs bg-brick/15 text-brick">{{ piece.value }}</del
          ><ins v-else-if="piece.added" class="rounded-xs bg-moss/15 text-moss no-underline">{{ piece.value }}</ins
          ><template v-else>{{ piece.value }}</template></template
        >
      </p>
    </li>
  </ol>
</template>
