<script setup lang="ts">
import { Send, Square } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import type { FeedView } from '../../../contract/views.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { kindOf, type EventKind } from '../../../core/events/kinds.ts'
import { platforms } from '../../../stand-ins/platforms/platforms.ts'
import { scripts } from '../../../stand-ins/scripts.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import { useSimulator } from './useSimulator.ts'

/**
 * The simulated platform of a feed: it sends one thing, a script or a flood, in its own shape over the signed route.
 */
const props = defineProps<{ feed: FeedView }>()
const boxes = useBoxesStore()
const { said, refusal, progress, send, stop } = useSimulator(() => props.feed.id)
const kinds = computed(() => platforms[props.feed.platform]?.kinds ?? [])
const kind = ref<EventKind>(kinds.value[0] ?? 'follow')
const choices = computed(() => kinds.value.map((value) => ({ value, label: kindNames[value] })))
const number = computed(() => kindOf(kind.value).mainNumber ?? null)
const shown = ref(0)
watch(number, (now) => (shown.value = now?.usual ?? 0), { immediate: true })
const tier = ref('1')
const asksTier = computed(
  () => kind.value === 'subscription' || kind.value === 'resubscription' || kind.value === 'giftBatch',
)
const tiers = ['I', 'II', 'III'].map((label, index) => ({ value: String(index + 1), label: `tier ${label}` }))
/** What alerts let the viewer choose with this kind. */
const offered = computed(() =>
  (boxes.boxes ?? []).flatMap(
    ({ document }) => document.alerts.find((alert) => alert.kinds.includes(kind.value))?.offer?.options ?? [],
  ),
)
const picked = ref('')
const pickChoices = computed(() => [
  { value: '', label: 'chooses nothing' },
  ...[...new Map(offered.value.map(({ id, label }) => [id, label]))].map(([value, label]) => ({
    value,
    label: `chooses ${label}`,
  })),
])
watch(kind, () => (picked.value = ''))
const scriptChoices = computed(() =>
  (scripts[props.feed.platform] ?? []).map(({ id, words }) => ({ value: id, label: words })),
)
const script = ref(scriptChoices.value[0]?.value ?? '')
const floodCount = 300
const isBusy = computed(() => progress.value !== null)

function asked(): object {
  const fields = {
    ...(number.value ? { [number.value.field]: Math.round(shown.value * number.value.per) } : {}),
    ...(asksTier.value ? { tier: Number(tier.value) } : {}),
    ...(picked.value ? { choice: picked.value } : {}),
  }
  return { kind: kind.value, fields }
}
</script>

<template>
  <div
    v-if="kinds.length > 0"
    class="mt-4 space-y-2 border-t border-rule pt-3"
    role="group"
    :aria-label="`Simulated ${feed.name}`"
  >
    <div class="flex flex-wrap items-center gap-2">
      <span class="w-44 text-faded">The simulated {{ feed.name }} sends</span>
      <span class="w-48"
        ><ChoiceField label="What it sends" :value="kind" :choices="choices" @change="kind = $event"
      /></span>
      <span v-if="number" class="w-32"
        ><NumberField
          :label="number.label"
          :value="shown"
          :unit="number.unit"
          :min="number.per > 1 ? 0.01 : 1"
          :max="number.most"
          :step="number.per > 1 ? 0.01 : 1"
          :decimals="number.per > 1 ? 2 : 0"
          @change="shown = $event"
      /></span>
      <span v-if="asksTier" class="w-24"
        ><ChoiceField label="Tier" :value="tier" :choices="tiers" @change="tier = $event"
      /></span>
      <span v-if="offered.length > 0" class="w-44"
        ><ChoiceField label="What the viewer chooses" :value="picked" :choices="pickChoices" @change="picked = $event"
      /></span>
      <button type="button" class="button" :disabled="isBusy" @click="send(asked(), 1)">
        <Send :size="14" aria-hidden="true" />Send one
      </button>
      <button type="button" class="button" :disabled="isBusy" @click="send(asked(), 30)">Thirty</button>
      <button type="button" class="button" :disabled="isBusy" @click="send(asked(), floodCount)">
        A flood of {{ floodCount }}
      </button>
      <button v-if="isBusy" type="button" class="button" @click="stop">
        <Square :size="12" aria-hidden="true" />Stop
      </button>
    </div>
    <div v-if="scriptChoices.length > 0" class="flex flex-wrap items-center gap-2">
      <span class="w-44 text-faded">or plays a script</span>
      <span class="w-96 max-w-full"
        ><ChoiceField label="Script" :value="script" :choices="scriptChoices" @change="script = $event"
      /></span>
      <button type="button" class="button" :disabled="isBusy" @click="send({ script }, 1)">Play it</button>
      <progress
        v-if="progress !== null"
        class="h-1.5 w-40 accent-moss"
        :value="progress"
        max="1"
        aria-label="How much is sent"
      />
      <span role="status" class="text-moss">{{ said }}</span>
      <span v-if="refusal" role="alert" class="text-brick">{{ refusal }}</span>
    </div>
  </div>
</template>
