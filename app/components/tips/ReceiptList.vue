<script setup lang="ts">
import { computed, onBeforeUnmount, reactive } from 'vue'
import type { ReceiptView } from '../../../contract/tips.ts'
import { formatMoney } from '../../../core/money.ts'
import { toast } from 'vue-sonner'
import { wordsOf } from '../../api/request.ts'
import { tried } from '../../composables/tried.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { counted } from '../../format/counted.ts'
import { formatInTimeZone } from '../../format/formatInTimeZone.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTipsStore } from '../../stores/tips.ts'

/** What was left on the tip page, the newest first: each is one paid tip. */
const tips = useTipsStore()
const session = useSessionStore()
const channel = useChannel()
const say = ({ amountMinor, currency }: Pick<ReceiptView, 'amountMinor' | 'currency'>) =>
  formatMoney(amountMinor, currency, channel.value.locale)
const together = computed(() => {
  const { sums = [] } = tips.view ?? {}
  if (sums.length === 0) return 'Nothing in the last 30 days.'
  const times = sums.reduce((sum, { count }) => sum + count, 0)
  return `${sums.map(say).join(' and ')} in the last 30 days, by ${counted(times, 'tip')}.`
})
const isOwner = computed(() => session.session?.role === 'owner')
/** What was given back has gone: for a moment it is only about to go, and can still be kept. */
const pendingMs = 8_000
const pending = reactive(new Map<string, { receipt: ReceiptView; timer: ReturnType<typeof setTimeout> }>())
function giveBack(receipt: ReceiptView): void {
  const { eventId } = receipt
  const timer = setTimeout(() => void giveBackNow(receipt), pendingMs)
  pending.set(eventId, { receipt, timer })
}
function keep(eventId: string): void {
  clearTimeout(pending.get(eventId)?.timer)
  pending.delete(eventId)
}
async function giveBackNow(receipt: ReceiptView): Promise<void> {
  keep(receipt.eventId)
  try {
    await tips.refund(receipt.eventId)
    toast.success(
      receipt.isAtProvider
        ? `${say(receipt)} went back. Goals, boards and points are without it.`
        : `${say(receipt)} does not count any more. It was not paid at the provider: hand the money back yourself.`,
    )
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
// Whoever goes to another page has not changed their mind.
onBeforeUnmount(() => {
  for (const { receipt } of [...pending.values()]) void giveBackNow(receipt)
})
</script>

<template>
  <section class="on-paper flex min-h-0 flex-col overflow-y-auto px-7 py-5" aria-labelledby="receipts">
    <h1 id="receipts" class="font-display text-3xl font-semibold">Tips</h1>
    <p class="mt-1 text-faded">{{ together }} Tests are never among them.</p>
    <ol v-if="tips.receipts.length > 0" class="mt-4 border-t border-rule" aria-label="Receipts">
      <li
        v-for="receipt in tips.receipts"
        :key="receipt.eventId"
        class="list-row grid grid-cols-[6.5rem_minmax(0,1fr)_auto] items-baseline gap-x-4 border-b border-rule px-3 py-2.5"
      >
        <span
          class="text-right font-mono text-sm font-semibold"
          :class="receipt.refundedAtMs === null ? '' : 'text-faded line-through'"
          >{{ say(receipt) }}</span
        >
        <span class="min-w-0">
          <span class="flex flex-wrap items-baseline gap-x-2"
            ><bdi class="min-w-0 font-semibold break-words">{{ receipt.name || 'Somebody' }}</bdi
            ><span class="text-faded">{{ formatInTimeZone(receipt.atMs, channel) }}</span></span
          >
          <bdi v-if="receipt.message" class="mt-0.5 block break-words">{{ receipt.message }}</bdi>
        </span>
        <span v-if="receipt.refundedAtMs !== null" class="text-faded">given back</span>
        <span v-else-if="pending.has(receipt.eventId)" role="status"
          >It goes back in a moment.
          <button type="button" class="link font-semibold" @click="keep(receipt.eventId)">Undo</button></span
        >
        <button
          v-else-if="isOwner"
          type="button"
          class="link text-faded hover:text-ink"
          :aria-label="`Give ${say(receipt)} back to ${receipt.name || 'somebody'}`"
          @click="giveBack(receipt)"
        >
          Give it back
        </button>
      </li>
    </ol>
    <button
      v-if="tips.nextBefore !== null"
      type="button"
      class="link mt-3 self-start px-3 text-faded hover:text-ink"
      @click="tried(tips.loadOlder())"
    >
      Show what was before
    </button>
    <div v-if="tips.view && tips.receipts.length === 0" class="mt-6 rounded-sm border border-dashed border-faded p-6">
      <h2 class="font-display text-lg font-semibold">Nothing was left yet</h2>
      <p class="mt-1 max-w-prose text-faded">
        Open the page on the right, and put its address or its picture where your viewers find you. They see their alert
        as it will play while they write, and whatever they leave stands here.
      </p>
    </div>
  </section>
</template>
