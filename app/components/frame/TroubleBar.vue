<script setup lang="ts">
import { CloudOff } from '@lucide/vue'
import { computed } from 'vue'

const props = defineProps<{ trouble: 'gone' | 'full' }>()
const words = computed(() =>
  props.trouble === 'full'
    ? 'The server’s disk is full. Nothing new is taken in until there is room again; what waits is kept.'
    : 'The database does not answer. What waits is kept and goes on air when it is back; what you see here may be older.',
)
</script>

<template>
  <p
    role="alert"
    class="flex shrink-0 items-center justify-center gap-2 border-b border-seam bg-ridge px-4 py-1.5 text-wrong"
  >
    <CloudOff :size="16" aria-hidden="true" />{{ words }}
  </p>
</template>
