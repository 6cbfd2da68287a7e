<script setup lang="ts">
import FieldRow from '../fields/FieldRow.vue'
import TickBox from '../fields/TickBox.vue'

defineProps<{ label: string; words: string; path?: string; checked: boolean; disabled: boolean }>()
defineEmits<{ change: [checked: boolean] }>()
</script>

<template>
  <FieldRow :label="label" :path="path">
    <TickBox :checked="checked" :disabled="disabled" @change="$emit('change', $event)">{{ words }}</TickBox>
  </FieldRow>
</template>
