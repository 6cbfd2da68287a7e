<script setup lang="ts">
import { navigateTo, useHead, useRoute } from '#imports'
import { Download, ImageDown } from '@lucide/vue'
import { computed, onMounted, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { BroadcastReportView, BroadcastsView, BroadcastView } from '../../contract/broadcasts.ts'
import { formatMoney } from '../../core/money.ts'
import { manyOf } from '../../core/queue/policyWords.ts'
import { dateText, localMoment } from '../../core/time/localMoment.ts'
import { request, wordsOf } from '../api/request.ts'
import AfterFigures from '../components/after/AfterFigures.vue'
import { giftWords, sumWords, whenWords } from '../components/after/afterWords.ts'
import OutcomeMark from '../components/desk/OutcomeMark.vue'
import StackedBars from '../components/frame/StackedBars.vue'
import { tried } from '../composables/tried.ts'
import { useChannel } from '../composables/useChannel.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'After the show · Thundercrest' })
const route = useRoute()
const channel = useChannel()
const session = useSessionStore()
const broadcasts = ref<BroadcastView[] | null>(null)
const view = ref<BroadcastReportView | null>(null)
const refusal = ref('')

const chosen = computed(() => {
  const all = broadcasts.value ?? []
  return all.find(({ id }) => id === route.query.of) ?? all[0] ?? null
})
const goesOn = computed(() => broadcasts.value?.some(({ endedAtMs }) => endedAtMs === null) ?? false)
onMounted(async () => {
  try {
    broadcasts.value = (await request<BroadcastsView>('GET', '/api/broadcasts')).broadcasts
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
watch(
  () => chosen.value?.id,
  async (id) => {
    if (id === undefined) return
    try {
      const answer = await request<BroadcastReportView>('GET', `/api/broadcasts/${id}`)
      if (chosen.value?.id === id) view.value = answer
      refusal.value = ''
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
)
const say = (isOn: boolean) =>
  tried(
    request<BroadcastsView>('PUT', '/api/broadcasts/now', { isOn }).then((answer) => {
      broadcasts.value = answer.broadcasts
      void navigateTo('/after', { replace: true })
    }),
    isOn ? 'The broadcast has begun.' : 'The broadcast is over. What trickles in now belongs to none.',
  )

const report = computed(() => view.value?.report ?? null)
const money = (minor: number) => formatMoney(minor, channel.value.currency, channel.value.locale)
const number = (value: number) => new Intl.NumberFormat(channel.value.locale).format(value)
const named = 4
/** The kinds that came most often, and all others together. */
const series = computed(() => {
  const kinds = report.value?.kinds ?? []
  const rest = kinds.slice(named)
  const others = rest[0]?.perSlot.map((_, slot) => rest.reduce((sum, each) => sum + (each.perSlot[slot] ?? 0), 0))
  return [
    ...kinds.slice(0, named).map(({ kind, perSlot }) => ({ name: manyOf(kind), data: perSlot })),
    ...(others ? [{ name: 'Others', data: others }] : []),
  ]
})
const labels = computed(() => {
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone: channel.value.timeZone, timeStyle: 'short' })
  const { beganAtMs = 0 } = view.value?.broadcast ?? {}
  const { slotMs = 1 } = report.value ?? {}
  return (series.value[0]?.data ?? []).map((_, slot) => clock.format(beganAtMs + slot * slotMs))
})
const when = (broadcast: BroadcastView) => whenWords(broadcast, channel.value)
const endWords: Record<string, string> = { hand: 'ended by hand', studio: 'ended by the studio', gap: '' }
const dayOf = (atMs: number) => dateText(localMoment(atMs, channel.value.timeZone).day)
const historyPath = ({ beganAtMs, endedAtMs }: BroadcastView) =>
  `/history?from=${dayOf(beganAtMs)}&until=${dayOf(endedAtMs ?? Date.now())}`

async function savePicture(): Promise<void> {
  const { broadcast } = view.value ?? {}
  if (!broadcast || !report.value) return
  try {
    const { drawCard } = await import('../components/after/drawCard.ts')
    const words = {
      channel: session.session?.channel.name ?? '',
      when: when(broadcast),
      sums: sumWords(report.value, channel.value),
      givers: [
        ...report.value.givers.slice(0, 4).map(({ name, minor }) => ({ name, words: money(minor) })),
        ...report.value.gifters
          .slice(0, 2)
          .map(({ name, gifts }) => ({ name, words: giftWords(gifts, channel.value) })),
      ],
      legend: series.value.map(({ name }) => name),
    }
    const picture = await drawCard(
      words,
      series.value.map(({ data }) => data),
      report.value,
    )
    const link = Object.assign(document.createElement('a'), {
      ...{ href: URL.createObjectURL(picture), download: `broadcast-${dayOf(broadcast.beganAtMs)}.png` },
    })
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
</script>

<template>
  <main
    class="on-paper grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[14rem_minmax(0,1fr)_20rem] lg:overflow-hidden"
  >
    <aside class="flex min-h-0 flex-col border-rule px-4 py-5 lg:border-r" aria-labelledby="broadcasts">
      <h2 id="broadcasts" class="mb-2 font-display text-lg font-semibold">Broadcasts</h2>
      <button type="button" class="button mb-3 self-start" @click="say(!goesOn)">
        {{ goesOn ? 'It is over now' : 'It begins now' }}
      </button>
      <ol class="min-h-0 overflow-y-auto border-t border-rule" aria-label="Broadcasts, newest first">
        <li v-for="each in broadcasts" :key="each.id" class="border-b border-rule">
          <NuxtLink
            :to="`/after?of=${each.id}`"
            replace
            class="block px-2 py-2 hover:bg-rule/40"
            :class="each.id === chosen?.id ? 'bg-rule/70 font-medium' : ''"
            :aria-current="each.id === chosen?.id ? 'true' : undefined"
          >
            {{ when(each) }}
            <span v-if="endWords[each.endedBy ?? '']" class="block text-faded">{{ endWords[each.endedBy ?? ''] }}</span>
          </NuxtLink>
        </li>
      </ol>
      <p v-if="broadcasts" class="pt-3 text-faded">
        The studio says when one begins and ends, or you do. Else four hours without an event part two.
      </p>
    </aside>
    <section class="min-h-0 px-7 py-5 lg:overflow-y-auto" aria-labelledby="after">
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
      <template v-if="view && report && chosen">
        <div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
          <h1 id="after" class="font-display text-2xl font-semibold">{{ when(view.broadcast) }}</h1>
          <div class="flex flex-wrap gap-2">
            <button type="button" class="button" @click="savePicture">
              <ImageDown :size="15" aria-hidden="true" />As a picture
            </button>
            <a class="button" :href="`/api/broadcasts/${view.broadcast.id}?as=csv`" download
              ><Download :size="15" aria-hidden="true" />As a table (CSV)</a
            >
          </div>
        </div>
        <p class="mt-1 max-w-prose text-base leading-relaxed">{{ sumWords(report, channel).join(' ') }}</p>
        <p class="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-faded">
          <span v-for="{ outcome, count } in report.outcomes" :key="outcome"
            ><OutcomeMark :state="outcome" /> {{ number(count) }}</span
          >
          <NuxtLink :to="historyPath(view.broadcast)" class="link text-deep-sky">what became of each</NuxtLink>
        </p>
        <StackedBars
          v-if="report.count > 0"
          class="mt-3"
          :series="series"
          :labels="labels"
          label="What happened, along the broadcast"
          :height-px="210"
          :words="number"
        />
        <AfterFigures class="mt-4" :view="view" />
      </template>
      <template v-else-if="broadcasts?.length === 0">
        <h1 id="after" class="font-display text-2xl font-semibold">After the show</h1>
        <p class="mt-2 max-w-prose text-faded">
          What happened in a broadcast is gathered here: what came when, how long it waited, who gave most, and whom to
          thank. The first broadcast begins with the first thing that happens, or when you say so.
        </p>
      </template>
      <h1 v-else id="after" class="font-display text-2xl font-semibold">After the show</h1>
    </section>
    <aside
      v-if="report"
      class="flex min-h-64 flex-col border-rule px-5 py-5 lg:min-h-0 lg:border-l"
      aria-labelledby="thanks"
    >
      <h2 id="thanks" class="mb-2 font-display text-lg font-semibold">To thank for</h2>
      <ol
        v-if="report.thanks.length > 0"
        class="min-h-0 overflow-y-auto border-t border-rule"
        tabindex="0"
        aria-labelledby="thanks"
      >
        <li v-for="each in report.thanks" :key="each.eventId" class="border-b border-rule py-2">
          <p class="flex items-baseline justify-between gap-3">
            <bdi class="truncate font-semibold">{{ each.name }}</bdi><span class="shrink-0 text-2xs text-faded">{{
              each.detail
            }}</span>
          </p>
          <p class="break-words">{{ each.words }}</p>
        </li>
      </ol>
      <p v-else class="text-faded">Nobody wrote anything with what they gave.</p>
    </aside>
  </main>
</template>
