<script setup lang="ts">
import { Send } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { SimulationAnswer } from '../../../contract/simulation.ts'
import type { FeedView } from '../../../contract/views.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import { platforms } from '../../../stand-ins/platforms/platforms.ts'
import { request, wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'

/** The simulated platform of a feed: it sends one thing, or thirty, in its own shape over the signed route. */
const props = defineProps<{ feed: FeedView }>()
const kinds = computed(() => platforms[props.feed.platform]?.kinds ?? [])
const kind = ref<EventKind>(kinds.value[0] ?? 'follow')
const choices = computed(() => kinds.value.map((value) => ({ value, label: kindNames[value] })))
/** The first month of a standing order is always the first. */
const asksMonths = computed(() => kind.value === 'resubscription' || kind.value === 'membershipRenewal')
const months = ref(12)
const said = ref('')
const refusal = ref('')
const isSending = ref(false)

async function send(count: number): Promise<void> {
  isSending.value = true
  said.value = ''
  refusal.value = ''
  try {
    const { accepted, repeated } = await request<SimulationAnswer>('POST', `/api/feeds/${props.feed.id}/simulations`, { kind: kind.value, count, fields: asksMonths.value ? { months: months.value } : {} })
    said.value = `${counted(accepted, 'event')} accepted${repeated > 0 ? `, ${counted(repeated, 'repeat')} caught` : ''}.`
  } catch (error) {
    refusal.value = wordsOf(error)
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <div v-if="kinds.length > 0" class="mt-4 flex flex-wrap items-center gap-2 border-t border-rule pt-3" role="group" :aria-label="`Simulated ${feed.name}`">
    <span class="text-faded">Let the simulated {{ feed.name }} send</span>
    <span class="w-48"><ChoiceField label="What it sends" :value="kind" :choices="choices" @change="kind = $event" /></span>
    <span v-if="asksMonths" class="w-28"><NumberField label="Months" :value="months" unit="months" :min="1" :max="999" @change="months = $event" /></span>
    <button type="button" class="button" :disabled="isSending" @click="send(1)"><Send :size="14" aria-hidden="true" />Send one</button>
    <button type="button" class="button" :disabled="isSending" @click="send(30)">Send thirty</button>
    <span role="status" class="text-moss">{{ isSending ? 'Sending…' : said }}</span>
    <span v-if="refusal" role="alert" class="text-brick">{{ refusal }}</span>
  </div>
</template>
