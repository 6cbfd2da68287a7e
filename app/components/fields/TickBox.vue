<script setup lang="ts">
/** A box to tick, with its words beside it. */
defineProps<{ checked: boolean; disabled?: boolean }>()
defineEmits<{ change: [checked: boolean] }>()
</script>

<template>
  <label class="flex items-center gap-2"
    ><input
      type="checkbox"
      class="size-4 accent-deep-sky"
      :checked="checked"
      :disabled="disabled"
      @change="$emit('change', ($event.target as HTMLInputElement).checked)" /><slot
  /></label>
</template>
