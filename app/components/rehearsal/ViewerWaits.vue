<script setup lang="ts">
import { computed, ref } from 'vue'
import { foldCase } from '../../../core/text/foldCase.ts'
import { lengthWords } from '../../format/time.ts'
import type { ViewerRow } from '../../workers/rehearsalTalk.ts'
import { atOnceMs } from './rehearsalWords.ts'

/** What each viewer waited at most, the longest first; a click says what came. */
const props = defineProps<{ viewers: readonly ViewerRow[]; count: number }>()
defineEmits<{ look: [at: number] }>()
const wanted = ref('')
const rowsMost = 12
const found = computed(() => {
  const word = foldCase(wanted.value.trim())
  return word === '' ? props.viewers : props.viewers.filter(({ name }) => foldCase(name).includes(word))
})
const words = (ms: number) => (ms < atOnceMs ? 'at once' : lengthWords(ms))
</script>

<template>
  <details class="mt-2">
    <summary class="cursor-pointer text-deep-sky">Waits by viewer</summary>
    <input
      v-if="viewers.length > rowsMost"
      v-model="wanted"
      type="search"
      class="field mt-2"
      placeholder="Find a viewer"
      aria-label="Find a viewer"
    />
    <table class="mt-1 w-full border-collapse">
      <caption class="sr-only">
        How long each viewer waited at most, under A and under B
      </caption>
      <thead>
        <tr class="border-b border-rule text-right text-faded">
          <td />
          <th scope="col" class="py-1 font-normal">A, longest</th>
          <th scope="col" class="py-1 pl-2 font-normal">B, longest</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in found.slice(0, rowsMost)" :key="row.viewerId" class="border-b border-rule">
          <th scope="row" class="max-w-40 py-1 text-left font-normal">
            <button type="button" class="link block max-w-full truncate text-left" @click="$emit('look', row.at)">
              <bdi>{{ row.name || 'without a name' }}</bdi>
            </button>
            <span v-if="row.unshown > 0" class="block text-faded">{{ row.unshown }} of theirs never shown</span>
          </th>
          <td class="text-right font-mono text-xs">{{ words(row.aLongestMs) }}</td>
          <td class="pl-2 text-right font-mono text-xs font-semibold">{{ words(row.bLongestMs) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="mt-1 text-faded">
      {{ found.length > rowsMost ? `The first ${rowsMost}` : 'All' }} of {{ wanted ? found.length : count }} viewers.
    </p>
  </details>
</template>
