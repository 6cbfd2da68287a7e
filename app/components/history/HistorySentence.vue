<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import type { HistoryFilter, HistorySourceView } from '../../../contract/history.ts'
import { eventKinds } from '../../../core/events/kinds.ts'
import { minorDigits } from '../../../core/minorDigits.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import { outcomes, type Outcome } from '../../../core/response/outcome.ts'
import { dateText, localMoment } from '../../../core/time/localMoment.ts'
import { request } from '../../api/request.ts'
import { tried } from '../../composables/tried.ts'
import { useChannel } from '../../composables/useChannel.ts'

/** What of a history is wanted, as one sentence with choices in it. */
const filter = defineModel<HistoryFilter>({ required: true })
const channel = useChannel()
const sources = ref<HistorySourceView[]>([])
const became: Record<Outcome, string> = {
  played: 'that played',
  merged: 'that was shown with others',
  expired: 'that was let go',
  skipped: 'that was skipped',
  withheld: 'that nobody let through',
  off: 'that has no alert',
  failed: 'that could not be shown',
}
const typed = ref(filter.value.words ?? '')
const words = refDebounced(typed, 250)
const per = computed(() => 10 ** minorDigits(channel.value.currency))

function set(part: Partial<HistoryFilter>): void {
  filter.value = Object.fromEntries(
    Object.entries({ ...filter.value, ...part }).filter(([, value]) => value !== undefined && value !== ''),
  )
}
const chosen = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value || undefined
watch(words, (text) => text.trim() !== (filter.value.words ?? '') && set({ words: text.trim() || undefined }))
watch(
  () => filter.value.words,
  (text) => (text ?? '') !== typed.value.trim() && (typed.value = text ?? ''),
)
onMounted(() =>
  tried(
    request<{ sources: HistorySourceView[] }>('GET', '/api/history/sources').then(
      (answer) => (sources.value = answer.sources),
    ),
  ),
)
const whenWords = {
  any: 'whenever',
  today: 'today',
  week: 'in the last seven days',
  month: 'in the last thirty days',
  between: 'between',
} as const
type When = keyof typeof whenWords
const isBetween = ref(false)
/** A day of the channel's calendar, so many before today. */
const dayBefore = (days: number) => dateText(localMoment(Date.now(), channel.value.timeZone).day - days)
const daysBack = { today: 0, week: 6, month: 29 } as const
const days = computed<When>(() => {
  const { from, until } = filter.value
  if (isBetween.value || until !== undefined) return 'between'
  if (from === undefined) return 'any'
  return (['today', 'week', 'month'] as const).find((each) => from === dayBefore(daysBack[each])) ?? 'between'
})
function chooseDays(when: string): void {
  isBetween.value = when === 'between'
  if (when === 'between') return
  const back = when in daysBack ? daysBack[when as keyof typeof daysBack] : null
  set({ from: back === null ? undefined : dayBefore(back), until: undefined })
}

const isNarrowed = computed(() => Object.keys(filter.value).length > 0)
const clear = () => {
  typed.value = ''
  isBetween.value = false
  filter.value = {}
}
</script>

<template>
  <div class="text-lg leading-loose" role="search" aria-label="What of it is shown">
    <select
      class="in-sentence"
      aria-label="Kind of event"
      :value="filter.kind ?? ''"
      @change="set({ kind: chosen($event) as HistoryFilter['kind'] })"
    >
      <option value="">Everything</option>
      <option v-for="kind in eventKinds" :key="kind" :value="kind">{{ manyOf(kind) }}</option>
    </select>
    from
    <select
      class="in-sentence"
      aria-label="Feed"
      :value="filter.source ?? ''"
      @change="set({ source: chosen($event) })"
    >
      <option value="">every feed</option>
      <option v-for="each in sources" :key="each.source" :value="each.source">{{ each.name }}</option>
    </select>
    <select
      class="in-sentence ml-1"
      aria-label="What became of it"
      :value="filter.outcome ?? ''"
      @change="set({ outcome: chosen($event) as Outcome | undefined })"
    >
      <option value="">whatever became of it</option>
      <option v-for="each in outcomes" :key="each" :value="each">{{ became[each] }}</option></select
    >, worth at least
    <input
      class="in-sentence w-16 text-center"
      type="number"
      min="0"
      step="any"
      inputmode="decimal"
      placeholder="any"
      :aria-label="`At least so much money, ${channel.currency}`"
      :value="filter.atLeast === undefined ? '' : filter.atLeast / per"
      @change="set({ atLeast: Math.round(Number(chosen($event) ?? 0) * per) || undefined })"
    />
    {{ channel.currency }},
    <select class="in-sentence" aria-label="When" :value="days" @change="chooseDays(chosen($event) ?? '')">
      <option v-for="(name, each) in whenWords" :key="each" :value="each">{{ name }}</option>
    </select>
    <template v-if="days === 'between'">
      <input
        class="in-sentence mx-1"
        type="date"
        aria-label="From this day on"
        :value="filter.from ?? ''"
        @change="set({ from: chosen($event) })" />
      and
      <input
        class="in-sentence ml-1"
        type="date"
        aria-label="Until this day"
        :value="filter.until ?? ''"
        @change="set({ until: chosen($event) })" /></template
    >, with
    <input
      v-model="typed"
      class="in-sentence min-w-40"
      type="search"
      maxlength="200"
      placeholder="any name or words"
      aria-label="Names and words"
    />; tests
    <select
      class="in-sentence"
      aria-label="Tests"
      :value="filter.tests ?? ''"
      @change="set({ tests: chosen($event) as 'too' | undefined })"
    >
      <option value="">left out</option>
      <option value="too">as well</option></select
    >.
    <button v-if="isNarrowed" type="button" class="link ml-2 text-base text-deep-sky" @click="clear">
      Everything again
    </button>
  </div>
</template>
