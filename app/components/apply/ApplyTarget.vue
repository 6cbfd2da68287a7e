<script setup lang="ts">
import type { BoxDocument, Variation } from '../../../core/composition/box.ts'
import BeforeAfter from './BeforeAfter.vue'

/** One case that something can be carried over to: as it is, and as it would be. */
defineProps<{
  before: BoxDocument
  after: BoxDocument
  alertId: string
  variation: Variation
  isTicked: boolean
  label: string
}>()
defineEmits<{ tick: [isTicked: boolean] }>()
</script>

<template>
  <BeforeAfter :before="before" :after="after" :alert-id="alertId" :variation-id="variation.id" :is-marked="isTicked">
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="size-4 accent-deep-sky"
        :checked="isTicked"
        :aria-label="label"
        @change="$emit('tick', ($event.target as HTMLInputElement).checked)"
      />{{ variation.name }}</label
    >
  </BeforeAfter>
</template>
