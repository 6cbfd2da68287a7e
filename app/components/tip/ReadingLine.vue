<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { ReadingView } from '../../../contract/tips.ts'
import { request } from '../../api/request.ts'
import { languageName } from '../../format/languageName.ts'

/** What the voice would make of the message, as the speech desk decides it. */
const props = defineProps<{
  channelId: string
  name: string
  message: string
  amountMinor: number
  /** Whether the alert says it at all. */
  isSaid: boolean
}>()
const reading = ref<{ view: ReadingView; of: string } | null>(null)
const asked = computed(() => ({ name: props.name, message: props.message.trim(), amountMinor: props.amountMinor }))

watchDebounced(
  () => JSON.stringify([props.isSaid, asked.value]),
  async (of) => {
    if (!props.isSaid || asked.value.message === '') return
    // A line of help: what cannot be asked is left out.
    const view = await request<ReadingView>('POST', `/api/tips/${props.channelId}/reading`, asked.value).catch(
      () => null,
    )
    reading.value = view && { view, of }
  },
  { debounce: 450, immediate: true },
)
const words = computed(() => {
  if (!props.isSaid || props.message.trim() === '' || !reading.value) return ''
  const { refusal, language, text, isChanged } = reading.value.view
  if (refusal !== null) return `It is shown and not read aloud. ${refusal}`
  const taken = isChanged ? `Said is: “${text}”` : 'Nothing of it is taken out.'
  return `It is read aloud, in ${languageName(language)}. ${taken}`
})
</script>

<template>
  <p class="mt-1.5 min-h-5 break-words text-(--light-faded)" aria-live="polite">{{ words }}</p>
</template>
