<script setup lang="ts">
import type { VariableDeclaration } from '../../../core/events/kindDefinition.ts'
import TemplateField from './TemplateField.vue'

/** Words of a part that is kept up to date, with what they can say. */
defineProps<{
  title: string
  label: string
  value: string
  variables: readonly VariableDeclaration[]
  disabled: boolean
}>()
defineEmits<{ change: [words: string] }>()
</script>

<template>
  <div class="space-y-2">
    <p class="text-faded">{{ title }}</p>
    <TemplateField
      :value="value"
      :label="label"
      :kinds="[]"
      :own="variables"
      :disabled="disabled"
      @change="$emit('change', $event)"
    />
  </div>
</template>
