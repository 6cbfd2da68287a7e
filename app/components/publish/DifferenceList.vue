<script setup lang="ts">
import type { Difference } from '../../../core/edit/differences/difference.ts'
import { computed } from 'vue'
import { useDraftStore } from '../../stores/draft.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import KindMark from '../frame/KindMark.vue'

defineProps<{ differences: readonly Difference[]; empty: string }>()
const draft = useDraftStore()
/** What concerns no kind concerns all of it. */
const whole = computed(() => (draft.document?.stays ? 'Board' : 'Box'))
</script>

<template>
  <p v-if="differences.length === 0" class="text-faded">{{ empty }}</p>
  <ul v-else class="divide-y divide-rule border-y border-rule">
    <li
      v-for="(difference, index) in differences"
      :key="index"
      class="grid grid-cols-[1.75rem_10rem_8rem_minmax(0,1fr)] items-center gap-2 py-1.5"
    >
      <KindMark v-if="difference.kind" :kind="difference.kind" /><span v-else />
      <span class="truncate"
        ><b class="font-semibold">{{ difference.kind ? kindNames[difference.kind] : whole }}</b> ·
        {{ difference.subject }}</span
      >
      <span class="text-faded">{{ difference.what }}</span>
      <span class="min-w-0 break-words"
        ><template v-if="difference.before"
          ><s class="text-faded">{{ difference.before }}</s
          ><template v-if="difference.after"> → </template></template
        ><b class="font-medium">{{ difference.after }}</b></span
      >
    </li>
  </ul>
</template>
