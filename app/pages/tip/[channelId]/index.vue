<script setup lang="ts">
import { definePageMeta, navigateTo, useHead, useRoute } from '#imports'
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import type { TipAnswer, TipView } from '../../../../contract/tips.ts'
import { choicesFor, tipFaults } from '../../../../core/tip/checkTip.ts'
import { ProblemError, request, wordsOf } from '../../../api/request.ts'
import TipForm from '../../../components/tip/TipForm.vue'
import TipGoal from '../../../components/tip/TipGoal.vue'
import TipStage from '../../../components/tip/TipStage.vue'
import { askedOf, newRequestId, shortMoney, type TypedTip } from '../../../components/tip/tipForm.ts'
import { useTipLook } from '../../../components/tip/useTipLook.ts'
import { useTipScore } from '../../../components/tip/useTipScore.ts'
import { span } from '../../../format/time.ts'

definePageMeta({ layout: false })
/** Where viewers leave something: in the channel's own look, with the alert as it will play. */
const route = useRoute()
const channelId = String(route.params.channelId)
const view = ref<TipView | null>(null)
const refusal = ref('')
const refused = ref<{ of: string; words: string } | null>(null)
const isSending = ref(false)
const nowMs = ref(Date.now())
useHead({ title: () => view.value?.page.title ?? 'Tip page' })

const typed = useLocalStorage<TypedTip>(`thundercrest.tip.${channelId}`, {
  ...{ presetMinor: null, other: '', name: '', message: '', choice: null, sent: null },
})
async function load(): Promise<void> {
  try {
    view.value = await request<TipView>('GET', `/api/tips/${channelId}`)
    nowMs.value = Date.now()
    refusal.value = ''
    const { presets } = view.value.page
    const isNone =
      typed.value.presetMinor === null ? typed.value.other === '' : !presets.includes(typed.value.presetMinor)
    if (isNone) typed.value.presetMinor = presets[Math.floor(presets.length / 2)] ?? null
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
onMounted(load)
watch(
  () => typed.value.presetMinor,
  (preset) => preset !== null && (typed.value.other = ''),
)

const currency = computed(() => view.value?.currency ?? 'EUR')
const locale = computed(() => view.value?.locale ?? 'en')
const asked = computed(() => askedOf(typed.value, currency.value))
const offer = computed(
  () => view.value?.alert?.document.alerts.find(({ kinds }) => kinds.includes('tip'))?.offer ?? null,
)
const choices = computed(() =>
  view.value ? choicesFor(view.value.page, asked.value.amountMinor, offer.value?.options ?? []) : [],
)
/** What was chosen and cannot be any more with this amount is not sent, and is there again with more. */
const tip = computed(() => {
  const { choice } = asked.value
  return { ...asked.value, choice: choice !== null && choices.value.includes(choice) ? choice : null }
})
const faults = computed(() => {
  if (!view.value) return []
  const of = { currency: currency.value, locale: locale.value, choices: choices.value }
  return tipFaults(view.value.page, tip.value, of)
})
const isFair = computed(() => tip.value.amountMinor >= (view.value?.page.leastMinor ?? 1))

const { score, saysMessage } = useTipScore(view, tip)
const style = useTipLook(view)
const of = computed(() => JSON.stringify(tip.value))
const says = computed(() => (refused.value?.of === of.value ? refused.value.words : ''))

async function leave(): Promise<void> {
  if (!view.value || faults.value.length > 0) return
  isSending.value = true
  const id = typed.value.sent?.of === of.value ? typed.value.sent.id : newRequestId()
  typed.value.sent = { id, of: of.value }
  try {
    const answer = await request<TipAnswer>('POST', `/api/tips/${channelId}/checkouts`, { requestId: id, ...tip.value })
    // Brought back by the browser's own button, the page may be used again.
    await navigateTo(answer.url, { external: true })
  } catch (error) {
    isSending.value = false
    refused.value = { of: of.value, words: wordsOf(error) }
    if (error instanceof ProblemError && error.status === 409) await load()
  }
}
onMounted(() => window.addEventListener('pageshow', () => (isSending.value = false)))
</script>

<template>
  <main class="tip min-h-full" :style="style">
    <p v-if="refusal" role="alert" class="p-10">{{ refusal }}</p>
    <div v-else-if="view" class="flex min-h-screen flex-col lg:flex-row">
      <div class="light contents lg:block lg:w-[43.4%] lg:px-14 lg:py-10">
        <header class="light order-1 px-5 pt-6 pb-4 lg:p-0 lg:pb-5">
          <h1 class="display text-[2rem] leading-tight break-words">
            <bdi>{{ view.page.title }}</bdi>
          </h1>
          <p v-if="view.page.about" class="mt-2 max-w-prose break-words text-(--light-faded)">
            <bdi>{{ view.page.about }}</bdi>
          </p>
        </header>
        <p v-if="view.closed" class="light order-3 px-5 py-6 text-base font-semibold lg:p-0" role="status">
          {{ view.closed }}
        </p>
        <TipForm
          v-else
          v-model="typed"
          class="light order-3 px-5 py-6 lg:p-0"
          :channel-id="channelId"
          :view="view"
          :tip="tip"
          :faults="faults"
          :offer="offer"
          :choices="choices"
          :says-message="saysMessage"
          :trouble="says"
          :is-sending="isSending"
          @leave="leave"
        />
      </div>
      <div class="dark contents flex-1 lg:block lg:px-11 lg:py-11">
        <section v-if="view.alert" class="dark order-2 px-5 py-4 lg:p-0" aria-label="This is how it will look">
          <h2 class="mb-2.5 text-base font-semibold text-(--dark-faded)">This is how it will look</h2>
          <TipStage :score="score" :canvas="view.alert.document.canvas" :locale="locale" />
        </section>
        <div class="dark order-4 flex-1 space-y-8 px-5 py-6 lg:p-0 lg:pt-9">
          <TipGoal
            v-if="view.goal"
            :goal="view.goal"
            :added-minor="isFair && !view.closed ? tip.amountMinor : 0"
            :locale="locale"
          />
          <section
            v-if="view.last.length > 0"
            class="border-t border-(--dark-edge) pt-5 text-(--dark-faded)"
            aria-label="Left last"
          >
            <ul class="space-y-1">
              <li v-for="each in view.last" :key="each.atMs" class="break-words">
                <bdi class="font-semibold text-(--dark-ink)">{{ each.name || 'Somebody' }}</bdi> left
                {{ shortMoney(each.amountMinor, each.currency, locale) }},
                {{ span(Math.max(0, nowMs - each.atMs)) }} ago
              </li>
            </ul>
          </section>
        </div>
      </div>
    </div>
    <p v-else class="p-10">Loading…</p>
  </main>
</template>

<style scoped>
.tip {
  color-scheme: light;
  font-family: var(--text);
  font-size: 0.875rem;
  background: var(--dark-ground);
  color: var(--light-ink);
}
.light {
  background: var(--light-ground);
  color: var(--light-ink);
}
.dark {
  background: var(--dark-ground);
  color: var(--dark-ink);
}
.display {
  font-family: var(--display);
  font-weight: var(--display-weight);
}
.tip .dark :deep(:focus-visible) {
  outline: 2px solid var(--dark-accent);
}
</style>
