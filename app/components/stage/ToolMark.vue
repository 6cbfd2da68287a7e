<script setup lang="ts">
import type { Component } from 'vue'
import { useToolNamesStore } from '../../stores/toolNames.ts'

/** What a tool shows: its mark, with its name beside it where names are shown. */
defineProps<{ icon: Component; name: string }>()
const names = useToolNamesStore()
</script>

<template>
  <component :is="icon" :size="16" class="shrink-0" aria-hidden="true" /><span
    v-if="names.areShown"
    class="truncate text-2xs"
    aria-hidden="true"
    >{{ name }}</span
  >
</template>
