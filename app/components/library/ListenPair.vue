<script setup lang="ts">
import { Play, Square } from '@lucide/vue'
import { useListening } from '../../composables/useListening.ts'

/** Before and after: the file as it was recorded, and as it is heard on air. */
const props = defineProps<{ url: string; gainDb: number }>()
const listening = useListening()
const pair = () => [
  { name: 'As recorded', gainDb: 0 },
  { name: 'As on air', gainDb: props.gainDb },
]
</script>

<template>
  <div>
    <div class="flex gap-2" role="group" aria-label="Listen">
      <button
        v-for="each in pair()"
        :key="each.name"
        type="button"
        class="button min-h-7! flex-1 px-2!"
        :aria-pressed="listening.isHeard(url, each.gainDb)"
        @click="listening.toggle(url, each.gainDb)"
      >
        <Square v-if="listening.isHeard(url, each.gainDb)" :size="12" aria-hidden="true" /><Play
          v-else
          :size="13"
          aria-hidden="true"
        />{{ each.name }}
      </button>
    </div>
    <p v-if="listening.refusal.value" role="alert" class="mt-1 text-brick">{{ listening.refusal.value }}</p>
  </div>
</template>
