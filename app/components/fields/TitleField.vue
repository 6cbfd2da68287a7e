<script setup lang="ts">
import { useSessionStore } from '../../stores/session.ts'
import TypedField from './TypedField.vue'

/** How something is called, over all that is said of it: to be changed in its place by whoever may. Never empty. */
defineProps<{ value: string; label: string; mostLetters: number }>()
const emit = defineEmits<{ change: [title: string] }>()
const session = useSessionStore()
</script>

<template>
  <TypedField
    v-if="session.canEdit"
    class="w-full rounded-xs border border-transparent bg-transparent font-display text-xl font-semibold hover:border-seam focus:border-seam"
    :aria-label="label"
    :maxlength="mostLetters"
    :value="value"
    @change="(title) => title !== '' && emit('change', title)"
  />
  <h2 v-else class="font-display text-xl font-semibold">{{ value }}</h2>
</template>
