<script setup lang="ts">
import { CircleHelp } from '@lucide/vue'
import { ref, watch } from 'vue'
import type { HappeningView } from '../../../contract/views.ts'
import { request, wordsOf } from '../../api/request.ts'
import { clockTime } from '../../format/time.ts'
import KindMark from '../frame/KindMark.vue'
import OutcomeMark from './OutcomeMark.vue'

/** Everything that happened, or only what did not play, newest first. */
const props = defineProps<{ boxId: string; newest: number | null; isUnplayed: boolean }>()
const emit = defineEmits<{ ask: [event: HappeningView] }>()
const events = ref<HappeningView[] | null>(null)
const refusal = ref('')
const isComplete = ref(false)
const pageSize = 60

/** What plays for it; of what did not play, why. */
function wordsOfEvent({ variationName, detail, outcome, outcomeReason, reason }: HappeningView): string {
  const isPlain = outcome === null || outcome === 'played'
  return [isPlain ? (variationName ?? reason) : outcomeReason || reason, detail].filter(Boolean).join(' · ')
}

async function load(before: number | null): Promise<void> {
  try {
    const { boxId, isUnplayed } = props
    const asked = new URLSearchParams({
      ...(before === null ? {} : { before: String(before) }),
      ...(isUnplayed ? { only: 'unplayed' } : {}),
    })
    const { events: page } = await request<{ events: HappeningView[] }>('GET', `/api/boxes/${boxId}/events?${asked}`)
    // Another list is wanted by now.
    if (boxId !== props.boxId || isUnplayed !== props.isUnplayed) return
    if (before === null) events.value = page
    else events.value = [...(events.value ?? []), ...page]
    if (before !== null || page.length < pageSize) isComplete.value = page.length < pageSize
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
watch(
  () => [props.boxId, props.newest, props.isUnplayed],
  ([boxId, , isUnplayed], before) => {
    if (boxId !== before?.[0] || isUnplayed !== before?.[2]) events.value = null
    void load(null)
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
  <ol
    v-else-if="events?.length"
    class="min-h-0 divide-y divide-rule overflow-y-auto border-y border-rule"
    :aria-label="isUnplayed ? 'What did not play' : 'Everything that came'"
  >
    <li
      v-for="event in events"
      :key="event.eventId"
      class="grid grid-cols-[2.9rem_1.5rem_minmax(0,1fr)_auto] items-center gap-2 py-2"
    >
      <time class="font-mono text-2xs text-faded" :datetime="new Date(event.receivedAtMs).toISOString()">{{
        clockTime(event.receivedAtMs)
      }}</time>
      <KindMark :kind="event.kind" />
      <div class="min-w-0">
        <p class="truncate font-semibold">
          <bdi>{{ event.name }}</bdi>
        </p>
        <p class="truncate text-faded" :title="wordsOfEvent(event)">{{ wordsOfEvent(event) }}</p>
      </div>
      <div class="flex items-center gap-1">
        <span v-if="event.isTest" class="rounded-sm border border-rule px-1.5 text-2xs">test</span>
        <button
          type="button"
          class="rounded-sm p-1 text-faded hover:text-ink"
          :aria-label="`Why ${event.variationName ?? 'nothing'} for ${event.name}`"
          title="Why?"
          @click="emit('ask', event)"
        >
          <CircleHelp :size="14" aria-hidden="true" />
        </button>
        <OutcomeMark v-if="event.outcome" :state="event.outcome" />
      </div>
    </li>
    <li v-if="!isComplete" class="py-2 text-center">
      <button type="button" class="link text-deep-sky" @click="load(events.at(-1)?.seq ?? null)">Earlier</button>
    </li>
  </ol>
  <p v-else-if="events" class="text-faded">
    {{
      isUnplayed
        ? 'Everything has played, or still waits. What was let go, skipped or had no alert is written here, with the reason.'
        : 'Nothing has happened yet. What your platforms send is written here, with what this box did about it.'
    }}
  </p>
</template>
