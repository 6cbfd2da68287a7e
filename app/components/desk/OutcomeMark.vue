<script setup lang="ts">
import { computed } from 'vue'
import type { PlayState } from '../../../contract/views.ts'

/** What became of something, or how far it is, in a word. */
const props = defineProps<{ state: PlayState }>()
const words: Record<PlayState, string> = {
  waiting: 'waiting',
  preparing: 'loading',
  playing: 'playing',
  played: 'played',
  merged: 'merged',
  expired: 'expired',
  skipped: 'skipped',
  withheld: 'withheld',
  off: 'off',
  failed: 'failed',
}
const quiet = ['played', 'off', 'waiting']
const ink = computed(() => {
  if (props.state === 'failed') return 'border-brick text-brick'
  return quiet.includes(props.state) ? 'border-rule text-faded' : 'border-faded text-ink'
})
</script>

<template>
  <span class="rounded-sm border px-1.5 text-2xs" :class="ink">{{ words[state] }}</span>
</template>
