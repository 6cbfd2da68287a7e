<script setup lang="ts">
import { CircleHelp } from '@lucide/vue'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, useTemplateRef, watch } from 'vue'
import type { HistoryEntryView } from '../../../contract/history.ts'
import { localMoment } from '../../../core/time/localMoment.ts'
import { useChannel } from '../../composables/useChannel.ts'
import OutcomeMark from '../desk/OutcomeMark.vue'
import type { AskedEvent } from '../desk/WhyDialog.vue'
import KindMark from '../frame/KindMark.vue'

/** Everything that happened, newest first: only the rows that can be seen are there. */
const props = defineProps<{ entries: readonly HistoryEntryView[]; isWhole: boolean; label: string }>()
const emit = defineEmits<{ more: []; why: [asked: AskedEvent]; top: [isThere: boolean] }>()

const rowPx = 52
const dayPx = 38
/** So many rows are never seen at once: those that leave at one end come in again at the other, which costs half of making them. */
const elements = 128
/** So many rows before the end the next page is asked for. */
const ahead = 250

const channel = useChannel()
const dayOf = computed(() => {
  const { timeZone } = channel.value
  // Most neighbours are of one hour: it is looked at once.
  const known = new Map<number, number>()
  return (atMs: number) => {
    const quarter = Math.floor(atMs / 900_000)
    const day = known.get(quarter) ?? localMoment(atMs, timeZone).day
    known.set(quarter, day)
    return day
  }
})
const inWords = computed(() => {
  const { locale, timeZone } = channel.value
  const day = new Intl.DateTimeFormat(locale, { timeZone, dateStyle: 'full' })
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone, timeStyle: 'medium' })
  return { day: (atMs: number) => day.format(atMs), clock: (atMs: number) => clock.format(atMs) }
})
/** Which rows begin a day. Entries and calendar are taken once: a hundred thousand rows ask. */
const isFirstOfDay = computed(() => {
  const { entries } = props
  const day = dayOf.value
  return (at: number) => {
    const entry = entries[at]
    const before = entries[at - 1]
    return entry !== undefined && (!before || day(before.receivedAtMs) !== day(entry.receivedAtMs))
  }
})

const scroller = useTemplateRef('scroller')
const virtual = useVirtualizer(
  computed(() => {
    const { entries } = props
    const isFirst = isFirstOfDay.value
    return {
      count: entries.length,
      getScrollElement: () => scroller.value,
      estimateSize: (at: number) => rowPx + (isFirst(at) ? dayPx : 0),
      getItemKey: (at: number) => entries[at]?.seq ?? at,
      overscan: 10,
    }
  }),
)
const rows = computed(() =>
  virtual.value.getVirtualItems().flatMap(({ index, start, size }) => {
    const entry = props.entries[index]
    return entry ? [{ entry, index, start, size, isFirst: isFirstOfDay.value(index) }] : []
  }),
)
const isNearEnd = computed(
  () => (rows.value.at(-1)?.index ?? 0) + ahead >= props.entries.length && !props.isWhole && props.entries.length > 0,
)
// Also where a page came and its end is near again.
watch([isNearEnd, () => props.entries.length], ([isNear]) => isNear && emit('more'))

const viewerPath = ({ source, viewerId }: HistoryEntryView) =>
  `/history/viewer?${new URLSearchParams({ source, viewer: viewerId ?? '' })}`
const plain = ['played', 'off']
/** What stands under the name: what it was; of what did not play, why. */
const noteOf = (entry: HistoryEntryView) => {
  const odd = entry.ends.find(({ outcome }) => outcome && !plain.includes(outcome))
  return [entry.detail, odd?.reason].filter(Boolean).join(' · ')
}
</script>

<template>
  <div
    ref="scroller"
    class="min-h-0 flex-1 overflow-y-auto border-y border-rule"
    tabindex="0"
    :aria-label="label"
    @scroll.passive="emit('top', ($event.target as HTMLElement).scrollTop < rowPx)"
  >
    <ol class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
      <li
        v-for="{ entry, index, start, size, isFirst } in rows"
        :key="index % elements"
        class="absolute inset-x-0 top-0 flex flex-col justify-end [contain:content]"
        :style="{ height: `${size}px`, transform: `translateY(${start}px)` }"
        :aria-setsize="isWhole ? entries.length : -1"
        :aria-posinset="index + 1"
      >
        <p v-if="isFirst" class="flex flex-1 items-end pb-1 font-display font-semibold">
          {{ inWords.day(entry.receivedAtMs) }}
        </p>
        <div
          class="grid shrink-0 grid-cols-[2.7rem_1.75rem_minmax(0,1fr)_auto] items-center gap-2 border-t border-rule pr-2 md:grid-cols-[4.4rem_1.75rem_minmax(0,1fr)_8rem_12rem]"
          :style="{ height: `${rowPx}px` }"
        >
          <time class="font-mono text-2xs text-faded" :datetime="new Date(entry.receivedAtMs).toISOString()"
            >{{ inWords.clock(entry.receivedAtMs).slice(0, 5)
            }}<span class="hidden md:inline">{{ inWords.clock(entry.receivedAtMs).slice(5) }}</span></time
          >
          <KindMark :kind="entry.kind" />
          <div class="min-w-0">
            <p class="truncate font-semibold">
              <NuxtLink
                v-if="entry.viewerId !== null"
                :to="viewerPath(entry)"
                :prefetch="false"
                class="hover:text-deep-sky hover:underline"
                ><bdi>{{ entry.name }}</bdi></NuxtLink
              ><bdi v-else>{{ entry.name || 'the channel itself' }}</bdi>
            </p>
            <p class="truncate text-faded" :title="noteOf(entry)">{{ noteOf(entry) }}</p>
          </div>
          <p class="hidden truncate text-faded md:block">{{ entry.from }}</p>
          <div class="flex items-center justify-end gap-1.5">
            <span v-if="entry.isTest" class="rounded-sm border border-rule px-1.5 text-2xs">test</span>
            <template v-for="(end, at) in entry.ends" :key="end.boxId">
              <button
                type="button"
                class="items-center gap-1 rounded-sm px-0.5 text-faded hover:text-ink"
                :class="at === 0 ? 'inline-flex' : 'hidden md:inline-flex'"
                :title="`${end.boxName}: ${end.reason}`"
                :aria-label="`${end.boxName}: ${end.outcome ?? 'waiting'}. Why?`"
                @click="emit('why', { ...end, eventId: entry.eventId, name: entry.name })"
              >
                <OutcomeMark :state="end.outcome ?? 'waiting'" /><CircleHelp
                  :size="13"
                  class="hidden md:block"
                  aria-hidden="true"
                />
              </button>
            </template>
            <span v-if="entry.ends.length === 0" class="text-2xs text-faded">kept</span>
          </div>
        </div>
      </li>
    </ol>
  </div>
</template>
