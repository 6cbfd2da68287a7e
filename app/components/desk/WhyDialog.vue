<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { TestAnswer, WhyView } from '../../../contract/views.ts'
import { request, wordsOf } from '../../api/request.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import ReasonTree from './ReasonTree.vue'

/** An event that somebody asks about, in a box. */
export interface AskedEvent {
  boxId: string
  eventId: string
  name: string
  /** Null where nothing played. */
  variationName: string | null
}

/**
 * Why an event got what it got: every case that was asked, with what held and what did not; and what the draft would do
 * now.
 */
const props = defineProps<{ asked: AskedEvent | null }>()
const emit = defineEmits<{ close: [] }>()
const view = ref<WhyView | null>(null)
const refusal = ref('')
const title = computed(() => {
  if (!props.asked) return ''
  const { variationName, name } = props.asked
  return variationName ? `Why “${variationName}” for ${name}` : `Why nothing for ${name}`
})

watch(
  () => props.asked,
  async (asked) => {
    view.value = null
    refusal.value = ''
    if (!asked) return
    try {
      view.value = await request<WhyView>('GET', `/api/boxes/${asked.boxId}/events/${asked.eventId}/why`)
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
)
async function test(): Promise<void> {
  if (!props.asked) return
  try {
    const { playId, reason } = await request<TestAnswer>('POST', `/api/boxes/${props.asked.boxId}/tests`, {
      eventId: props.asked.eventId,
    })
    if (playId) toast.success('Sent to the sources as a test. It does not count.')
    else toast(`Nothing plays: ${reason}`)
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
</script>

<template>
  <PaperDialog :open="asked !== null" :title="title" @update:open="emit('close')">
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <template v-else-if="view">
      <p class="text-base">{{ view.reason }}</p>
      <ReasonTree v-if="view.why" class="mt-3" :why="view.why" />
      <details v-if="view.draft" class="mt-4 border-t border-rule pt-3">
        <summary class="cursor-pointer font-semibold">
          With the draft as it is now: <span class="font-normal">{{ view.draft.reason }}</span>
        </summary>
        <ReasonTree v-if="view.draft.why" class="mt-2" :why="view.draft.why" />
      </details>
      <p v-else class="mt-4 border-t border-rule pt-3 text-faded">The draft as it is now would decide the same.</p>
    </template>
    <p v-else class="text-faded">Looking…</p>
    <template #actions>
      <button type="button" class="button" :disabled="!view" @click="test">Send it as a test</button>
      <button type="button" class="button" @click="emit('close')">Close</button>
    </template>
  </PaperDialog>
</template>
