<script setup lang="ts">
import { chosenBy, type Alert } from '../../../core/composition/box.ts'
import type { Coverage } from '../../../core/rules/coverage.ts'

/** Cases whose conditions are too many to draw: what can be said of each all the same, and the way to it. */
defineProps<{ alert: Alert; coverage: Coverage; chosenId: string | null }>()
defineEmits<{ choose: [variationId: string] }>()
const words = { open: '', shadowed: 'partly hidden', unreachable: 'never plays', untold: 'cannot be told' } as const
</script>

<template>
  <div role="group" aria-label="Which case plays">
    <p class="text-faded">
      These conditions are too many to draw. Which case plays is decided as exactly as ever, and what is said here
      holds.
    </p>
    <ul class="mt-1 flex max-h-14 flex-wrap gap-1 overflow-y-auto">
      <li v-for="{ id, name } in chosenBy(alert)" :key="id">
        <button
          type="button"
          class="rounded-xs border border-rule px-1.5 text-2xs -outline-offset-2"
          :class="id === chosenId ? 'bg-ink font-medium text-paper' : 'bg-sheet hover:bg-rule/60'"
          :aria-pressed="id === chosenId"
          @click="$emit('choose', id)"
        >
          {{ name
          }}<template v-for="{ state } in coverage.variations.filter((each) => each.id === id)" :key="state">{{
            words[state] ? `: ${words[state]}` : ''
          }}</template>
        </button>
      </li>
    </ul>
  </div>
</template>
