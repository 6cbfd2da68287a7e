<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TipView } from '../../../contract/tips.ts'
import type { Offer } from '../../../core/composition/offer.ts'
import { formatMoney } from '../../../core/money.ts'
import { lettersOf, nameLettersMax, type AskedTip, type TipFault } from '../../../core/tip/checkTip.ts'
import AmountField from './AmountField.vue'
import ReadingLine from './ReadingLine.vue'
import { shortMoney, type TypedTip } from './tipForm.ts'

/** What somebody leaves: how much, who they are, what they write, and what it is shown with. */
const props = defineProps<{
  channelId: string
  view: TipView
  /** What is typed, as it would be sent. */
  tip: AskedTip
  faults: readonly TipFault[]
  /** What the alert lets viewers choose; null: nothing. */
  offer: Offer | null
  /** What of it may be chosen with this amount. */
  choices: readonly string[]
  saysMessage: boolean
  /** Why what was sent last was refused. */
  trouble: string
  isSending: boolean
}>()
const emit = defineEmits<{ leave: [] }>()
const typed = defineModel<TypedTip>({ required: true })

const hasTried = ref(false)
const faultOf = (path: string): string | null =>
  hasTried.value ? (props.faults.find((fault) => fault.path === path)?.message ?? null) : null
const lettersLeft = computed(() => props.view.page.lettersMost - lettersOf(typed.value.message))
const buttonSays = computed(() => {
  if (props.isSending) return 'One moment…'
  const { amountMinor } = props.tip
  if (amountMinor < props.view.page.leastMinor) return 'How much will it be?'
  return `Leave ${formatMoney(amountMinor, props.view.currency, props.view.locale)}`
})
function leave(): void {
  hasTried.value = true
  emit('leave')
}
</script>

<template>
  <form class="space-y-5" :aria-label="view.page.title" novalidate @submit.prevent="leave">
    <AmountField
      v-model:preset-minor="typed.presetMinor"
      v-model:other="typed.other"
      :page="view.page"
      :currency="view.currency"
      :locale="view.locale"
      :fault="faultOf('amountMinor')"
    />
    <label class="block">
      <span class="flex justify-between gap-4"
        ><b class="font-semibold">Your name</b><span class="text-(--light-faded)">or leave it empty</span></span
      >
      <input
        v-model="typed.name"
        class="entry mt-1.5"
        autocomplete="nickname"
        dir="auto"
        :maxlength="nameLettersMax * 4"
        :aria-describedby="faultOf('name') ? 'name-fault' : undefined"
      />
      <span v-if="faultOf('name')" id="name-fault" class="mt-1.5 block font-medium" role="alert">{{
        faultOf('name')
      }}</span>
    </label>
    <div v-if="view.page.lettersMost > 0">
      <label class="block">
        <span class="flex justify-between gap-4"
          ><b class="font-semibold">Your message</b
          ><span id="letters-left" :class="lettersLeft < 0 ? 'font-semibold' : 'text-(--light-faded)'">{{
            lettersLeft < 0
              ? `${-lettersLeft} letters too many`
              : `${lettersLeft} of ${view.page.lettersMost} letters left`
          }}</span></span
        >
        <textarea
          v-model="typed.message"
          class="entry mt-1.5 block min-h-21 resize-y py-2.5"
          rows="3"
          dir="auto"
          aria-describedby="letters-left"
          :aria-invalid="lettersLeft < 0"
        />
      </label>
      <ReadingLine
        :channel-id="channelId"
        :name="tip.name"
        :message="tip.message"
        :amount-minor="tip.amountMinor"
        :is-said="saysMessage && lettersLeft >= 0"
      />
    </div>
    <div v-if="offer" role="radiogroup" aria-labelledby="tip-choice">
      <div class="flex items-baseline justify-between gap-4">
        <b id="tip-choice" class="font-semibold">{{ offer.kind === 'sound' ? 'Ring it in with' : 'Show it with' }}</b>
        <span v-if="view.page.offerFromMinor > 0" class="text-(--light-faded)"
          >{{ shortMoney(view.page.offerFromMinor, view.currency, view.locale) }} or more</span
        >
      </div>
      <div class="mt-1.5 flex flex-wrap gap-2">
        <label v-for="option in offer.options" :key="option.id" class="min-w-24 flex-1">
          <input
            v-model="typed.choice"
            type="radio"
            name="choice"
            :value="option.id"
            :disabled="choices.length === 0"
            class="peer sr-only"
          />
          <span class="choice px-2">{{ option.label }}</span>
        </label>
      </div>
    </div>
    <div class="pt-1">
      <button type="submit" class="leave" :disabled="isSending">
        {{ buttonSays }}
      </button>
      <p v-if="trouble" class="mt-3 text-center font-medium" role="alert">{{ trouble }}</p>
      <p class="mt-3 text-center text-(--light-faded)">
        You pay at the provider.
        <template v-if="view.page.returnDays > 0"
          >Asked back within {{ view.page.returnDays }} days, it is given back.</template
        >
      </p>
    </div>
  </form>
</template>

<style scoped>
:deep(.choice),
:deep(.entry) {
  min-height: 2.75rem;
  border: 1px solid var(--light-edge);
  border-radius: 4px;
  background: var(--light-field);
  color: var(--light-ink);
}
:deep(.entry) {
  width: 100%;
  padding-inline: 0.8rem;
}
:deep(.entry::placeholder) {
  color: var(--light-faded);
}
:deep(.choice) {
  display: grid;
  place-items: center;
  font-weight: 650;
  cursor: pointer;
}
:deep(input:checked:not(:disabled) + .choice) {
  background: var(--light-ink);
  border-color: var(--light-ink);
  color: var(--light-ground);
}
:deep(input:focus-visible + .choice),
:deep(:focus-visible) {
  outline: 2px solid var(--light-accent);
  outline-offset: 2px;
}
:deep(input:disabled + .choice) {
  color: var(--light-faded);
  border-style: dashed;
  cursor: not-allowed;
}
.leave {
  width: 100%;
  min-height: 3.2rem;
  border-radius: 4px;
  background: var(--accent);
  color: var(--on-accent);
  font-size: 1rem;
  font-weight: 650;
}
.leave:disabled {
  opacity: 0.7;
}
</style>
