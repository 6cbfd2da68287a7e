<script setup lang="ts">
/** A label and its field on one line of the inspector. */
defineProps<{ label: string; labelId?: string }>()
</script>

<template>
  <div class="grid grid-cols-[5.75rem_minmax(0,1fr)] items-center gap-2">
    <span :id="labelId" class="text-faded">{{ label }}</span>
    <div class="min-w-0"><slot /></div>
  </div>
</template>
