<script setup lang="ts">
import { NuxtLink } from '#components'
import { definePageMeta, useHead, useRoute } from '#imports'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import type { ThanksView, TipView } from '../../../../contract/tips.ts'
import { formatMoney } from '../../../../core/money.ts'
import { request, wordsOf } from '../../../api/request.ts'
import TipGoal from '../../../components/tip/TipGoal.vue'
import { useTipLook } from '../../../components/tip/useTipLook.ts'
import { counted } from '../../../format/counted.ts'

definePageMeta({ layout: false })
/** After paying: whether it was, and where the alert is by now. */
const route = useRoute()
const channelId = String(route.params.channelId)
const page = ref<TipView | null>(null)
const view = ref<ThanksView | null>(null)
const refusal = ref('')
useHead({ title: () => (view.value ? heading.value : 'Tip') })
const style = useTipLook(page)

const askedEveryMs = 1_500
let timer: ReturnType<typeof setTimeout> | undefined
let isGone = false
/** What can still change is asked again. */
const isSettled = computed(() => {
  const { state, place } = view.value ?? {}
  return (
    state === 'failed' || state === 'refunded' || (state === 'paid' && place?.is !== 'waiting' && place?.is !== 'onAir')
  )
})
async function look(): Promise<void> {
  try {
    view.value = await request<ThanksView>('GET', `/api/tips/${channelId}/checkouts/${String(route.params.checkoutId)}`)
    refusal.value = ''
    // What was typed has arrived; the next one begins anew.
    if (view.value.state === 'paid') localStorage.removeItem(`thundercrest.tip.${channelId}`)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  if (!isGone && !isSettled.value)
    timer = setTimeout(() => void look(), document.hidden ? 4 * askedEveryMs : askedEveryMs)
}
onMounted(async () => {
  page.value = await request<TipView>('GET', `/api/tips/${channelId}`).catch(() => null)
  await look()
})
onBeforeUnmount(() => {
  isGone = true
  clearTimeout(timer)
})

const locale = computed(() => page.value?.locale ?? 'en')
const amount = computed(() =>
  view.value ? formatMoney(view.value.amountMinor, view.value.currency, locale.value) : '',
)
const heading = computed(() => {
  const { state, name } = view.value ?? {}
  if (state === 'paid') return name ? `Thank you, ${name}` : 'Thank you'
  if (state === 'failed') return 'It was not paid'
  return state === 'refunded' ? 'It was given back' : 'Waiting for the provider'
})
const says = computed(() => {
  const { state, place, channel } = view.value ?? {}
  if (state === 'open')
    return `The provider has not said yet that ${amount.value} are paid. Leave this page open, or come back.`
  if (state === 'failed') return 'Nothing was taken from you. What you wrote is still there: try again, or leave it.'
  if (state === 'refunded') return `You have your ${amount.value} back.`
  if (!place) return `${channel ?? ''} has your ${amount.value}.`
  if (place.is === 'onAir') return 'It is on screen right now.'
  if (place.is === 'shown') return 'It was on screen.'
  if (place.is === 'notShown') return `${channel ?? ''} has your ${amount.value}. It was not shown on screen.`
  if (place.before === 0) return 'Your alert is next.'
  return `${counted(place.before, 'alert')} ${place.before === 1 ? 'is' : 'are'} before yours.`
})
</script>

<template>
  <main class="thanks grid min-h-screen place-items-center px-5 py-8" :style="style">
    <div class="w-full max-w-xl">
      <p v-if="refusal" role="alert">{{ refusal }}</p>
      <template v-if="view">
        <h1 class="text-4xl leading-tight break-words">
          <bdi>{{ heading }}</bdi>
        </h1>
        <p class="mt-3 text-lg" role="status">{{ says }}</p>
        <TipGoal v-if="view.goal" class="mt-10" :goal="view.goal" :added-minor="0" :locale="locale" />
        <p class="mt-10">
          <NuxtLink :to="`/tip/${channelId}`" class="link">{{
            view.state === 'failed' ? 'Back to what you wrote' : `Back to ${page?.page.title ?? 'the tip page'}`
          }}</NuxtLink>
        </p>
      </template>
      <p v-else-if="!refusal">Loading…</p>
    </div>
  </main>
</template>

<style scoped>
.thanks {
  font-family: var(--text);
  font-size: 0.9375rem;
  background: var(--dark-ground);
  color: var(--dark-ink);
}
h1 {
  font-family: var(--display);
  font-weight: var(--display-weight);
  color: var(--dark-accent);
}
.thanks :deep(:focus-visible) {
  outline: 2px solid var(--dark-accent);
}
</style>
