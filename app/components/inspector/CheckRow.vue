<script setup lang="ts">
import FieldRow from '../fields/FieldRow.vue'

defineProps<{ label: string; words: string; path?: string; checked: boolean; disabled: boolean }>()
defineEmits<{ change: [checked: boolean] }>()
</script>

<template>
  <FieldRow :label="label" :path="path">
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="size-4 accent-deep-sky"
        :checked="checked"
        :disabled="disabled"
        @change="$emit('change', ($event.target as HTMLInputElement).checked)"
      />{{ words }}</label
    >
  </FieldRow>
</template>
