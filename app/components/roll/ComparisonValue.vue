<script setup lang="ts">
import { computed } from 'vue'
import { minorDigits } from '../../../core/minorDigits.ts'
import { largestNumber, type RuleField } from '../../../core/rules/fields.ts'
import type { Comparison } from '../../../core/rules/schema.ts'
import { useChannel } from '../../composables/useChannel.ts'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'
import CalendarEnd from './CalendarEnd.vue'
import SpanField from './SpanField.vue'

/** What a field is compared with. Money is typed in the channel's currency. */
const props = defineProps<{ comparison: Comparison; field: RuleField; label: string; disabled: boolean }>()
const emit = defineEmits<{ change: [comparison: Comparison] }>()
const channel = useChannel()
const digits = computed(() => (props.field.type === 'money' ? minorDigits(channel.value.currency) : 0))
const unit = computed(() => {
  if (props.field.type === 'money') return channel.value.currency
  return props.field.type === 'number' ? props.field.unit : ''
})
const number = computed(() => ({
  unit: unit.value,
  step: digits.value > 0 ? 0.01 : 1,
  decimals: digits.value,
  disabled: props.disabled,
}))
const shown = (value: number) => value / 10 ** digits.value
const read = (typed: number) => Math.round(typed * 10 ** digits.value)

function toggle(value: string): void {
  if (!('values' in props.comparison)) return
  const { values } = props.comparison
  const next = values.includes(value) ? values.filter((each) => each !== value) : [...values, value]
  if (next.length > 0) emit('change', { ...props.comparison, values: next })
}
function readTexts(typed: string): void {
  const texts = typed
    .split(',')
    .map((text) => text.trim())
    .filter(Boolean)
  if (texts.length > 0 && 'values' in props.comparison) emit('change', { ...props.comparison, values: texts })
}
function readText(text: string): void {
  if (text && 'text' in props.comparison) emit('change', { ...props.comparison, text })
}
function setEnd(end: 'from' | 'to', to: string): void {
  if (props.comparison.is === 'within') emit('change', { ...props.comparison, [end]: to })
}
function setNumber(end: 'from' | 'to' | 'value', to: number): void {
  emit('change', { ...props.comparison, [end]: to } as Comparison)
}
</script>

<template>
  <div>
    <SpanField
      v-if="'value' in comparison && field.type === 'span'"
      :label="label"
      :value="comparison.value"
      :disabled="disabled"
      @change="setNumber('value', $event)"
    />
    <NumberField
      v-else-if="'value' in comparison"
      :label="label"
      :value="shown(comparison.value)"
      :min="0"
      :max="shown(largestNumber)"
      v-bind="number"
      @change="(typed) => setNumber('value', read(typed))"
    />
    <div v-else-if="comparison.is === 'between' && field.type === 'span'" class="space-y-1">
      <SpanField
        :label="`${label}, from`"
        :value="comparison.from"
        :disabled="disabled"
        @change="setNumber('from', $event)"
      />
      <SpanField
        :label="`${label}, to`"
        :value="comparison.to"
        :disabled="disabled"
        @change="setNumber('to', $event)"
      />
    </div>
    <div v-else-if="comparison.is === 'between'" class="grid grid-cols-2 gap-1">
      <NumberField
        :label="`${label}, from`"
        :value="shown(comparison.from)"
        :min="0"
        :max="shown(comparison.to)"
        v-bind="number"
        @change="(typed) => setNumber('from', read(typed))"
      />
      <NumberField
        :label="`${label}, to`"
        :value="shown(comparison.to)"
        :min="shown(comparison.from)"
        :max="shown(largestNumber)"
        v-bind="number"
        @change="(typed) => setNumber('to', read(typed))"
      />
    </div>
    <div
      v-else-if="
        comparison.is === 'within' && (field.type === 'clock' || field.type === 'season' || field.type === 'date')
      "
      class="grid items-center gap-1"
      :class="field.type === 'clock' ? 'grid-cols-[minmax(0,1fr)_auto_minmax(0,1fr)]' : ''"
    >
      <CalendarEnd
        :type="field.type"
        :label="`${label}, from`"
        :value="comparison.from"
        :disabled="disabled"
        @change="setEnd('from', $event)"
      />
      <span class="px-1 text-faded">to</span>
      <CalendarEnd
        :type="field.type"
        :label="`${label}, to`"
        :value="comparison.to"
        :disabled="disabled"
        @change="setEnd('to', $event)"
      />
    </div>
    <div
      v-else-if="(field.type === 'choice' || field.type === 'set') && 'values' in comparison"
      class="flex flex-wrap gap-x-3 gap-y-1 px-1 py-1"
      role="group"
      :aria-label="label"
    >
      <label v-for="option in field.options" :key="option.value" class="flex items-center gap-1.5"
        ><input
          type="checkbox"
          class="size-4 accent-deep-sky"
          :checked="comparison.values.includes(option.value)"
          :disabled="disabled"
          @change="toggle(option.value)"
        />{{ option.words }}</label
      >
    </div>
    <TypedField
      v-else-if="'values' in comparison"
      class="field"
      :value="comparison.values.join(', ')"
      :aria-label="`${label}, with commas between`"
      maxlength="400"
      :disabled="disabled"
      @change="readTexts"
    />
    <TypedField
      v-else-if="'text' in comparison"
      class="field"
      :value="comparison.text"
      :aria-label="label"
      maxlength="200"
      :disabled="disabled"
      @change="readText"
    />
  </div>
</template>
