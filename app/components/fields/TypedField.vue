<script setup lang="ts">
import { nextTick, onMounted, useTemplateRef, watch } from 'vue'

/**
 * A field that says what was typed once it is left or Enter is pressed, without blanks around it. What is being typed
 * stays, whatever changes meanwhile around it or elsewhere: it is written by hand, as a bound value would be put back
 * each time something around it is drawn anew.
 */
const props = defineProps<{ value: string }>()
const emit = defineEmits<{ change: [typed: string] }>()
const field = useTemplateRef('field')
let isTyping = false

function show(): void {
  if (field.value && !isTyping) field.value.value = props.value
}
/** Whoever is told may refuse it, or make something else of it: what is true afterwards is shown. */
function leave(): void {
  isTyping = false
  void nextTick(show)
}
function say(): void {
  const typed = field.value?.value.trim() ?? ''
  if (typed !== props.value) emit('change', typed)
  leave()
}
onMounted(show)
watch(() => props.value, show)
</script>

<template>
  <input ref="field" @input="isTyping = true" @change="say" @blur="leave" />
</template>
