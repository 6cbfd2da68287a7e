<script setup lang="ts">
import { computed } from 'vue'
import { bytesInWords } from '../../format/bytesInWords.ts'

/** What takes how much, as lines of one length. */
const props = defineProps<{
  parts: readonly { name: string; count: string; bytes: number }[]
  freeBytes: number
  quotaBytes: number | null
}>()
const most = computed(() => Math.max(1, ...props.parts.map(({ bytes }) => bytes)))
const share = (bytes: number) => `${(100 * bytes) / most.value}%`
</script>

<template>
  <ul class="mt-2 space-y-2">
    <li v-for="part in parts" :key="part.name" class="grid grid-cols-[6rem_minmax(0,1fr)_5rem] items-center gap-x-3">
      <span class="font-medium">{{ part.name }}</span>
      <span class="text-faded">{{ part.count }}</span>
      <span class="text-right font-mono text-xs">{{ bytesInWords(part.bytes) }}</span>
      <span class="col-span-3 h-1 rounded-full bg-rule/60" aria-hidden="true"
        ><span class="block h-1 rounded-full bg-faded" :style="{ width: share(part.bytes) }"
      /></span>
    </li>
  </ul>
  <p class="mt-3 text-faded">
    {{ bytesInWords(freeBytes) }} are free on the server.<template v-if="quotaBytes !== null">
      Media may take {{ bytesInWords(quotaBytes) }}.</template
    >
  </p>
</template>
