<script setup lang="ts">
import { useHead, useRoute } from '#imports'
import { computed, ref, watch } from 'vue'
import type { HistoryFilter, ViewerView } from '../../../contract/history.ts'
import { formatMoney } from '../../../core/money.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import { kindOf } from '../../../core/events/kinds.ts'
import { request, wordsOf } from '../../api/request.ts'
import WhyDialog, { type AskedEvent } from '../../components/desk/WhyDialog.vue'
import KindMark from '../../components/frame/KindMark.vue'
import HistoryList from '../../components/history/HistoryList.vue'
import ForgetViewer from '../../components/history/ForgetViewer.vue'
import { useHistory } from '../../components/history/useHistory.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'

const route = useRoute()
const channel = useChannel()
const triggers = useTriggersStore()
const session = useSessionStore()
const asked = ref<AskedEvent | null>(null)
const view = ref<ViewerView | null>(null)
const refusal = ref('')
const filter = computed<HistoryFilter>(() => ({
  source: String(route.query.source ?? ''),
  viewer: String(route.query.viewer ?? ''),
}))
const { entries, isWhole, more } = useHistory(filter)
useHead({ title: () => `${view.value?.name ?? 'A viewer'} · Thundercrest` })

watch(
  filter,
  async ({ source = '', viewer = '' }) => {
    view.value = null
    refusal.value = ''
    try {
      await triggers.load()
      view.value = await request<ViewerView>('GET', `/api/history/viewer?${new URLSearchParams({ source, viewer })}`)
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
  { immediate: true },
)
const day = (atMs: number) =>
  new Intl.DateTimeFormat(channel.value.locale, { timeZone: channel.value.timeZone, dateStyle: 'long' }).format(atMs)
const money = (amountMinor: number, currency: string) => formatMoney(amountMinor, currency, channel.value.locale)
const pointsName = computed(() => triggers.view?.settings.points.name.many ?? 'points')
const given = computed(() => {
  const { given: sums = [], givenMinor = 0 } = view.value ?? {}
  if (sums.length === 0) return null
  const own = channel.value.currency
  const parts = sums.map(({ amountMinor, currency }) => money(amountMinor, currency)).join(' and ')
  return sums.every(({ currency }) => currency === own) ? parts : `${parts}, together about ${money(givenMinor, own)}`
})
</script>

<template>
  <main
    class="on-paper grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_22rem] lg:overflow-hidden"
  >
    <section class="flex min-h-96 flex-col px-7 py-5" aria-labelledby="viewer">
      <p><NuxtLink to="/history" class="link text-deep-sky">History</NuxtLink></p>
      <h1 id="viewer" class="mb-3 truncate font-display text-3xl font-semibold">
        <bdi>{{ view?.name ?? 'A viewer' }}</bdi>
      </h1>
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
      <HistoryList
        v-if="entries.length > 0"
        :entries="entries"
        :is-whole="isWhole"
        label="What this viewer did, newest first"
        @more="more"
        @why="asked = $event"
      />
    </section>
    <aside v-if="view" class="space-y-5 border-rule px-6 py-6 lg:overflow-y-auto lg:border-l" aria-label="So far">
      <p class="leading-relaxed">
        Known from {{ view.from }} since <b>{{ day(view.firstAtMs) }}</b>, heard of last on
        <b>{{ day(view.lastAtMs) }}</b>.
      </p>
      <dl v-if="given">
        <dt class="text-faded">Gave so far</dt>
        <dd class="font-display text-2xl font-semibold">{{ given }}</dd>
      </dl>
      <dl v-if="view.points !== null">
        <dt class="text-faded first-letter:uppercase">{{ pointsName }}</dt>
        <dd class="font-display text-2xl font-semibold">
          {{ new Intl.NumberFormat(channel.locale).format(view.points) }}
        </dd>
      </dl>
      <ul class="divide-y divide-rule border-y border-rule" aria-label="How often">
        <li v-for="{ kind, count } in view.kinds" :key="kind" class="flex items-center gap-3 py-2">
          <KindMark :kind="kind" /><span class="flex-1">{{ count === 1 ? kindOf(kind).name : manyOf(kind) }}</span
          ><span class="font-mono text-xs">{{ new Intl.NumberFormat(channel.locale).format(count) }}</span>
        </li>
      </ul>
      <p class="text-faded">Tests are left out, and so is what was given back.</p>
      <ForgetViewer v-if="session.isOwner" :about="filter" :name="view.name" />
    </aside>
    <WhyDialog :asked="asked" @close="asked = null" />
  </main>
</template>
