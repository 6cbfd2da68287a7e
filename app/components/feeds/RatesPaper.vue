<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed, onMounted, ref } from 'vue'
import type { RatesView } from '../../../contract/rates.ts'
import { request, wordsOf } from '../../api/request.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useSessionStore } from '../../stores/session.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'

/** What other currencies are worth: rules compare every amount in the channel's own. */
const session = useSessionStore()
const channel = useChannel()
const rates = ref<Record<string, number> | null>(null)
const said = ref('')
const refusal = ref('')
const rows = computed(() => Object.entries(rates.value ?? {}).sort(([a], [b]) => a.localeCompare(b)))
const names = computed(() => new Intl.DisplayNames(channel.value.locale, { type: 'currency' }))
const others = computed(() =>
  Intl.supportedValuesOf('currency')
    .filter((code) => code !== channel.value.currency && !(code in (rates.value ?? {})))
    .map((code) => ({ value: code, label: `${code}, ${names.value.of(code) ?? ''}` })),
)
const added = ref('USD')
const next = computed(() =>
  others.value.some(({ value }) => value === added.value) ? added.value : (others.value[0]?.value ?? 'USD'),
)

onMounted(async () => {
  try {
    rates.value = (await request<RatesView>('GET', '/api/channel/rates')).rates
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
async function keep(changed: Record<string, number>): Promise<void> {
  const before = rates.value
  rates.value = changed
  said.value = ''
  refusal.value = ''
  try {
    await request('PUT', '/api/channel/rates', { rates: changed })
    said.value = 'Kept. The next event is compared by it.'
  } catch (error) {
    rates.value = before
    refusal.value = wordsOf(error)
  }
}
const without = (code: string) =>
  Object.fromEntries(Object.entries(rates.value ?? {}).filter(([each]) => each !== code))
</script>

<template>
  <section class="on-paper rounded-sm p-6" aria-labelledby="rates">
    <div class="grid gap-6 md:grid-cols-[14rem_minmax(0,1fr)]">
      <div>
        <h2 id="rates" class="font-display text-2xl font-semibold">Other currencies</h2>
        <p class="mt-1 text-faded">
          Rules compare amounts in {{ channel.currency }}. A tip in a currency without a rate is shown as it came, but
          no rule about amounts holds for it.
        </p>
      </div>
      <div>
        <ul v-if="rows.length > 0" class="grid gap-x-6 gap-y-2 xl:grid-cols-2">
          <li
            v-for="[code, rate] in rows"
            :key="code"
            class="grid grid-cols-[minmax(0,1fr)_9rem_1.5rem] items-center gap-2"
          >
            <span class="truncate"
              ><b class="font-mono text-xs">1 {{ code }}</b> <span class="text-faded">{{ names.of(code) }}</span></span
            >
            <NumberField
              :label="`1 ${code} in ${channel.currency}`"
              :value="rate"
              :unit="channel.currency"
              :min="0.000001"
              :max="1_000_000"
              :step="0.01"
              :decimals="4"
              :disabled="!session.canEdit"
              @change="(to) => keep({ ...rates, [code]: to })"
            />
            <button
              v-if="session.canEdit"
              type="button"
              class="grid size-6 place-items-center rounded-sm hover:bg-rule/60"
              :aria-label="`Take ${code} away`"
              @click="keep(without(code))"
            >
              <X :size="14" aria-hidden="true" />
            </button>
          </li>
        </ul>
        <p v-else-if="rates" class="text-faded">No other currency yet.</p>
        <div v-if="session.canEdit && rates" class="mt-3 flex flex-wrap items-center gap-2">
          <span class="w-64"
            ><ChoiceField label="Another currency" :value="next" :choices="others" @change="added = $event"
          /></span>
          <button type="button" class="button" @click="keep({ ...rates, [next]: 1 })">
            <Plus :size="15" aria-hidden="true" />Add it
          </button>
          <span role="status" class="text-moss">{{ said }}</span>
        </div>
        <p v-if="refusal" role="alert" class="mt-2 text-brick">{{ refusal }}</p>
      </div>
    </div>
  </section>
</template>
