<script setup lang="ts">
import { computed } from 'vue'
import { useTypefaces } from '../../library/useTypefaces.ts'
import ChoiceField from './ChoiceField.vue'

/** A family of the shelf or of the channel's own fonts, each shown in itself. */
defineProps<{ value: string; label: string; disabled: boolean }>()
defineEmits<{ change: [family: string] }>()
const { families } = useTypefaces()
const choices = computed(() =>
  families.value.map((family) => ({ value: family, label: family, family: `"${family}"` })),
)
</script>

<template>
  <ChoiceField
    :label="label"
    :value="value"
    :choices="choices"
    :disabled="disabled"
    @change="$emit('change', $event)"
  />
</template>
