<script setup lang="ts">
import { computed, ref } from 'vue'
import type { RewardView } from '../../../contract/triggers.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'

/** A reward as its platform has it, changed there; or a new one. */
const props = defineProps<{ reward?: RewardView; isNew?: boolean; name?: string }>()
type Fields = Pick<RewardView, 'title' | 'cost' | 'isPaused' | 'stock' | 'asksForInput'>
const emit = defineEmits<{
  change: [fields: Partial<Fields>]
  make: [fields: Fields & { feedId: string }]
  cancel: []
}>()
const triggers = useTriggersStore()
const made = ref<Fields>({ title: props.name ?? '', cost: 300, isPaused: false, stock: null, asksForInput: false })
const feedId = ref(triggers.rewardFeeds[0]?.id ?? '')
const shown = computed<Fields>(() => props.reward ?? made.value)
const feedChoices = computed(() => triggers.rewardFeeds.map(({ id, name }) => ({ value: id, label: name })))
function set(fields: Partial<Fields>): void {
  if (props.reward) emit('change', fields)
  else made.value = { ...made.value, ...fields }
}
</script>

<template>
  <div class="space-y-2">
    <ChoiceField
      v-if="isNew && feedChoices.length > 1"
      label="On which platform"
      :value="feedId"
      :choices="feedChoices"
      @change="feedId = $event"
    />
    <TypedField
      class="field"
      aria-label="Name of the reward"
      maxlength="100"
      :value="shown.title"
      @change="(title) => title !== '' && set({ title })"
    />
    <div class="grid grid-cols-2 gap-2">
      <NumberField
        label="Price on the platform"
        unit="points"
        :value="shown.cost"
        :min="1"
        :max="1_000_000"
        @change="(cost) => set({ cost })"
      />
      <NumberField
        label="How many there are, 0 for no limit"
        unit="left"
        :value="shown.stock ?? 0"
        :min="0"
        :max="1_000_000"
        @change="(stock) => set({ stock: stock || null })"
      />
    </div>
    <div class="flex flex-wrap gap-x-4 gap-y-1">
      <TickBox :checked="shown.asksForInput" @change="set({ asksForInput: !shown.asksForInput })"
        >asks for words</TickBox
      >
      <TickBox :checked="shown.isPaused" @change="set({ isPaused: !shown.isPaused })">paused</TickBox>
    </div>
    <div v-if="isNew" class="flex gap-2">
      <button
        type="button"
        class="button"
        :disabled="made.title === '' || feedId === ''"
        @click="emit('make', { ...made, feedId })"
      >
        Make it on {{ feedChoices.find(({ value }) => value === feedId)?.label ?? 'the platform' }}
      </button>
      <button type="button" class="button" @click="emit('cancel')">Not now</button>
    </div>
  </div>
</template>
