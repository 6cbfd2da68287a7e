<script setup lang="ts">
import DialKnob from '../dials/DialKnob.vue'

/** A label and its field on one line of the inspector. With a path, what the field changes can be made a dial. */
defineProps<{ label: string; labelId?: string; path?: string }>()
</script>

<template>
  <div class="grid grid-cols-[5.75rem_minmax(0,1fr)] items-center gap-2">
    <span :id="labelId" class="text-faded">{{ label }}</span>
    <div class="flex min-w-0 items-center gap-2">
      <div class="min-w-0 flex-1"><slot /></div>
      <DialKnob v-if="path" :path="path" :label="label" />
    </div>
  </div>
</template>
