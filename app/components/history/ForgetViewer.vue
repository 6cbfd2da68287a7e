<script setup lang="ts">
import { navigateTo } from '#imports'
import { ref } from 'vue'
import { toast } from 'vue-sonner'
import type { HistoryFilter } from '../../../contract/history.ts'
import type { ForgottenView } from '../../../contract/keeping.ts'
import { request, wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'

/** Takes somebody out of everything: it says what goes and what stays before it goes, for it cannot be taken back. */
const props = defineProps<{ about: Pick<HistoryFilter, 'source' | 'viewer'>; name: string }>()
const isAsked = ref(false)
const isWorking = ref(false)
const refusal = ref('')

async function forget(): Promise<void> {
  refusal.value = ''
  isWorking.value = true
  try {
    const { source, viewer } = props.about
    const { events } = await request<ForgottenView>('POST', '/api/history/forget', { source, viewer })
    await navigateTo('/history')
    toast.success(`Forgotten: ${counted(events, 'event')} are somebody’s now.`)
  } catch (error) {
    refusal.value = wordsOf(error)
  } finally {
    isWorking.value = false
  }
}
</script>

<template>
  <section aria-label="Forget this viewer" class="border-t border-rule pt-4">
    <button v-if="!isAsked" type="button" class="button" @click="isAsked = true">Forget this viewer…</button>
    <div v-else class="rounded-sm bg-rule/40 p-3">
      <p>
        <bdi class="font-semibold">{{ name }}</bdi> goes from the history, from points, from runs and from what was read
        aloud: name, picture, messages, recordings. Amounts and counts stay, as somebody’s.
      </p>
      <p class="mt-1">It cannot be taken back. Backups that were taken before still have them.</p>
      <p v-if="refusal" role="alert" class="mt-1 text-brick">{{ refusal }}</p>
      <div class="mt-2 flex flex-wrap gap-2">
        <button type="button" class="button" @click="isAsked = false">Keep them</button>
        <button type="button" class="button button-bolt" :disabled="isWorking" @click="forget">Forget for good</button>
      </div>
    </div>
  </section>
</template>
