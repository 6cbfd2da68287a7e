<script setup lang="ts">
import type { TipPage } from '../../../core/tip/page.ts'
import { shortMoney } from './tipForm.ts'

/** How much: what one press gives, or what is typed. */
defineProps<{ page: TipPage; currency: string; locale: string; fault: string | null }>()
const presetMinor = defineModel<number | null>('presetMinor', { required: true })
const other = defineModel<string>('other', { required: true })
</script>

<template>
  <div role="radiogroup" aria-labelledby="tip-amount" :aria-describedby="fault ? 'amount-fault' : undefined">
    <div class="flex items-baseline justify-between gap-4">
      <b id="tip-amount" class="font-semibold">How much</b>
      <span class="text-(--light-faded)">at least {{ shortMoney(page.leastMinor, currency, locale) }}</span>
    </div>
    <div class="mt-1.5 flex flex-wrap gap-2">
      <label v-for="preset in page.presets" :key="preset" class="min-w-16 flex-1">
        <input v-model="presetMinor" type="radio" name="amount" :value="preset" class="peer sr-only" />
        <span class="choice px-2">{{ shortMoney(preset, currency, locale) }}</span>
      </label>
      <input
        v-model="other"
        inputmode="decimal"
        autocomplete="off"
        maxlength="14"
        class="entry min-w-32 flex-[1.5] text-center font-semibold placeholder:font-normal"
        :class="presetMinor === null && other !== '' ? 'border-(--light-ink)!' : ''"
        placeholder="other amount"
        :aria-label="`Another amount, in ${currency}`"
        @input="presetMinor = null"
      />
    </div>
    <p v-if="fault" id="amount-fault" class="mt-1.5 font-medium" role="alert">{{ fault }}</p>
  </div>
</template>
