<script setup lang="ts">
import { computed } from 'vue'
import type { BroadcastReportView } from '../../../contract/broadcasts.ts'
import { kindOf } from '../../../core/events/kinds.ts'
import { formatMoney } from '../../../core/money.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { lengthWords } from '../../format/time.ts'
import { giftWords } from './afterWords.ts'

/** How long things waited in a broadcast, how much of it was alerts', and who gave most. */
const props = defineProps<{ view: BroadcastReportView }>()
const channel = useChannel()
const report = computed(() => props.view.report)
const number = (value: number) => new Intl.NumberFormat(channel.value.locale).format(value)
const percent = (share: number) =>
  new Intl.NumberFormat(channel.value.locale, { style: 'percent', maximumFractionDigits: 0 }).format(share)
const airtime = computed(() => {
  const { broadcast, boxNames } = props.view
  const lengthMs = Math.max(1, (broadcast.endedAtMs ?? Date.now()) - broadcast.beganAtMs)
  return report.value.boxes.map(({ boxId, shownMs, shareOfSlot }) => ({
    ...{ boxId, name: boxNames[boxId] ?? 'a box that is gone', shownMs, share: shownMs / lengthMs },
    most: Math.max(...shareOfSlot),
  }))
})
/** Who gave most of money, and of subscriptions. */
const most = computed(() => {
  const { currency, locale } = channel.value
  const { givers, gifters } = report.value
  return [
    {
      title: 'Who gave most',
      people: givers.map((each) => ({ ...each, words: formatMoney(each.minor, currency, locale) })),
    },
    {
      title: 'Who gave to others',
      people: gifters.map((each) => ({ ...each, words: giftWords(each.gifts, channel.value) })),
    },
  ]
})
</script>

<template>
  <div class="grid items-start gap-x-8 gap-y-5 xl:grid-cols-2">
    <table v-if="report.waits.length > 0" class="w-full text-left">
      <caption class="pb-1 text-left font-display text-lg font-semibold">
        How long it took to be shown
      </caption>
      <thead class="text-faded">
        <tr class="border-b border-rule">
          <th class="py-1 font-normal">Kind</th>
          <th class="py-1 text-right font-normal">half within</th>
          <th class="py-1 text-right font-normal">19 of 20</th>
          <th class="py-1 text-right font-normal">longest</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in report.waits" :key="each.kind" class="border-b border-rule">
          <th scope="row" class="py-1 font-normal">{{ number(each.count) }} × {{ kindOf(each.kind).name }}</th>
          <td class="py-1 text-right font-mono text-xs">{{ lengthWords(each.p50Ms) }}</td>
          <td class="py-1 text-right font-mono text-xs">{{ lengthWords(each.p95Ms) }}</td>
          <td class="py-1 text-right font-mono text-xs">{{ lengthWords(each.worstMs) }}</td>
        </tr>
      </tbody>
    </table>
    <div class="space-y-5">
      <section v-if="airtime.length > 0" aria-labelledby="airtime">
        <h2 id="airtime" class="pb-1 font-display text-lg font-semibold">Time on air</h2>
        <ul>
          <li v-for="box in airtime" :key="box.boxId" class="border-t border-rule py-1.5">
            <p class="flex justify-between gap-3">
              <span>{{ box.name }}</span><span class="font-mono text-xs"
                >{{ lengthWords(box.shownMs) }} · {{ percent(box.share) }}</span
              >
            </p>
            <p class="text-faded">
              at most {{ percent(box.most) }} of {{ Math.round(report.slotMs / 60_000) }} minutes
            </p>
          </li>
        </ul>
      </section>
      <section
        v-for="{ title, people } in most.filter((each) => each.people.length > 0)"
        :key="title"
        :aria-label="title"
      >
        <h2 class="pb-1 font-display text-lg font-semibold">{{ title }}</h2>
        <ol>
          <li v-for="each in people" :key="each.key" class="flex justify-between gap-3 border-t border-rule py-1.5">
            <bdi class="truncate font-semibold">{{ each.name }}</bdi><span class="shrink-0 font-mono text-xs">{{
              each.words
            }}</span>
          </li>
        </ol>
      </section>
    </div>
  </div>
</template>
