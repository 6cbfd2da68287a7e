<script setup lang="ts">
import { navigateTo, useHead, useRoute } from '#imports'
import { Download, Upload } from '@lucide/vue'
import { useThrottleFn } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { toast } from 'vue-sonner'
import { historyFilter, type BroughtBackView, type HistoryFilter } from '../../../contract/history.ts'
import type { Problem } from '../../../contract/problem.ts'
import WhyDialog, { type AskedEvent } from '../../components/desk/WhyDialog.vue'
import HistoryList from '../../components/history/HistoryList.vue'
import HistorySentence from '../../components/history/HistorySentence.vue'
import { historyQueryOf, useHistory } from '../../components/history/useHistory.ts'
import { counted } from '../../format/counted.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'

useHead({ title: 'History · Thundercrest' })
const route = useRoute()
const live = useLiveStore()
const session = useSessionStore()
const asked = ref<AskedEvent | null>(null)
const file = useTemplateRef('file')
const isBringing = ref(false)

/** What is wanted stands in the address, so that it can be kept and sent on. */
const filter = computed<HistoryFilter>({
  get: () => historyFilter.safeParse(route.query).data ?? {},
  set: (wanted) => void navigateTo({ path: '/history', query: { ...wanted } }, { replace: true }),
})
const { entries, isLoading, isWhole, refusal, more, refresh } = useHistory(filter)
const isNarrowed = computed(() => Object.keys(filter.value).length > 0)
const exported = (as: 'csv' | 'ndjson') => `/api/history?${historyQueryOf(filter.value)}&as=${as}`

/** Whoever reads further down is not pushed about by what comes meanwhile. */
const isAtTop = ref(true)
watch(filter, () => (isAtTop.value = true))
const refreshSoon = useThrottleFn(() => (isAtTop.value ? refresh() : undefined), 1_000, true)
watch(
  () => [
    isAtTop.value,
    live.live?.ridge.feeds.lastDeliveryAtMs,
    live.live?.ridge.desk.waiting,
    live.live?.ridge.desk.isPlaying,
  ],
  () => void refreshSoon(),
)

async function bringBack(event: Event): Promise<void> {
  const [given] = (event.target as HTMLInputElement).files ?? []
  if (file.value) file.value.value = ''
  if (!given) return
  isBringing.value = true
  try {
    const answer = await fetch('/api/history', {
      method: 'POST',
      headers: { 'content-type': 'application/x-ndjson' },
      body: given,
    })
    const body = (await answer.json()) as Problem & BroughtBackView
    if (answer.ok) {
      toast.success(`${counted(body.events, 'event')} are back. Nothing of it plays again.`)
      filter.value = {}
      await refresh()
    } else {
      const [first] = body.issues ?? []
      toast.error([body.detail, first && `${first.path}: ${first.message}.`].filter(Boolean).join(' '))
    }
  } catch {
    toast.error('The file did not get here. Nothing was written; try again.')
  } finally {
    isBringing.value = false
  }
}
</script>

<template>
  <main class="on-paper flex h-full min-h-0 flex-col px-7 py-5">
    <div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
      <h1 class="font-display text-3xl font-semibold">History</h1>
      <div class="flex flex-wrap gap-2">
        <a class="button" :href="exported('csv')" download
          ><Download :size="15" aria-hidden="true" />As a table (CSV)</a
        >
        <a class="button" :href="exported('ndjson')" download
          ><Download :size="15" aria-hidden="true" />As events (NDJSON)</a
        >
      </div>
    </div>
    <HistorySentence v-model="filter" class="mt-1 mb-3" />
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <HistoryList
      v-if="entries.length > 0"
      :entries="entries"
      :is-whole="isWhole"
      label="What happened, newest first"
      @more="more"
      @top="isAtTop = $event"
      @why="asked = $event"
    />
    <div v-else-if="isWhole && isNarrowed" class="text-faded">
      <p>Nothing that happened is like that. Ask for less: the words are looked for from their beginnings.</p>
    </div>
    <div v-else-if="isWhole" class="max-w-prose space-y-3 text-faded">
      <p>
        Nothing has happened here yet. What your platforms send is kept here for good, with what became of it in every
        box.
      </p>
      <template v-if="session.isOwner">
        <p>A history that was saved as events from another server can be brought back while this channel is empty.</p>
        <label class="button cursor-pointer focus-within:outline-2 focus-within:outline-sky"
          ><Upload :size="15" aria-hidden="true" />{{ isBringing ? 'Reading and writing…' : 'Bring a history back'
          }}<input
            ref="file"
            type="file"
            accept=".ndjson,application/x-ndjson"
            class="sr-only"
            :disabled="isBringing"
            @change="bringBack"
        /></label>
      </template>
    </div>
    <p class="pt-2 text-faded" role="status">
      <template v-if="isLoading">Reading…</template>
      <template v-else-if="isWhole && entries.length > 0"
        >{{ counted(entries.length, 'event') }}, that is all.</template
      >
      <template v-else-if="entries.length > 0"
        >{{ counted(entries.length, 'event') }} read; scroll for what came before.</template
      >
    </p>
    <WhyDialog :asked="asked" @close="asked = null" />
  </main>
</template>
