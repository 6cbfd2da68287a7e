<script setup lang="ts">
import type { EventKind } from '../../../core/events/kinds.ts'
import { markOf } from '../../kinds/kindMarks.ts'

defineProps<{ kind: EventKind }>()
</script>

<template>
  <span class="inline-grid size-6 shrink-0 place-items-center rounded-sm border border-current/40" aria-hidden="true">
    <component :is="markOf(kind)" :size="14" :stroke-width="1.8" />
  </span>
</template>
