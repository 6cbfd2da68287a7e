<script setup lang="ts">
/** Something of the channel that can be another way, and what it changes. */
defineProps<{ label: string; says: string }>()
</script>

<template>
  <div class="grid items-start gap-x-8 gap-y-1 py-3 md:grid-cols-[minmax(0,1fr)_20rem]">
    <div>
      <h2 class="font-display text-lg font-semibold">{{ label }}</h2>
      <p class="max-w-xl text-faded">{{ says }}</p>
    </div>
    <div class="min-w-0 pt-1"><slot /></div>
  </div>
</template>
