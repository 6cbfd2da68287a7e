<script setup lang="ts">
import { computed } from 'vue'
import { largestNumber, type RuleField } from '../../../core/rules/fields.ts'
import type { Comparison } from '../../../core/rules/schema.ts'
import { useSessionStore } from '../../stores/session.ts'
import NumberField from '../fields/NumberField.vue'

/** What a field is compared with. Money is typed in the channel's currency. */
const props = defineProps<{ comparison: Comparison; field: RuleField; label: string; disabled: boolean }>()
const emit = defineEmits<{ change: [comparison: Comparison] }>()
const session = useSessionStore()
const currency = computed(() => session.session?.channel.currency ?? 'EUR')
const digits = computed(() => (props.field.type === 'money' ? (new Intl.NumberFormat('en', { style: 'currency', currency: currency.value }).resolvedOptions().maximumFractionDigits ?? 2) : 0))
const unit = computed(() => (props.field.type === 'money' ? currency.value : props.field.type === 'number' ? props.field.unit : ''))
const shown = (value: number) => value / 10 ** digits.value
const read = (typed: number) => Math.round(typed * 10 ** digits.value)

function toggle(value: string): void {
  if (!('values' in props.comparison)) return
  const { values } = props.comparison
  const next = values.includes(value) ? values.filter((each) => each !== value) : [...values, value]
  if (next.length > 0) emit('change', { ...props.comparison, values: next })
}
function readTexts(event: Event): void {
  const texts = (event.target as HTMLInputElement).value.split(',').map((text) => text.trim()).filter(Boolean)
  if (texts.length > 0 && 'values' in props.comparison) emit('change', { ...props.comparison, values: texts })
}
function readText(event: Event): void {
  const text = (event.target as HTMLInputElement).value.trim()
  if (text && 'text' in props.comparison) emit('change', { ...props.comparison, text })
}
</script>

<template>
  <div>
    <NumberField v-if="'value' in comparison" :label="label" :value="shown(comparison.value)" :unit="unit" :min="0" :max="shown(largestNumber)" :step="digits > 0 ? 0.01 : 1" :decimals="digits" :disabled="disabled" @change="(typed) => 'value' in comparison && emit('change', { ...comparison, value: read(typed) })" />
    <div v-else-if="'from' in comparison" class="grid grid-cols-2 gap-1">
      <NumberField :label="`${label}, from`" :value="shown(comparison.from)" :unit="unit" :min="0" :max="shown(comparison.to)" :step="digits > 0 ? 0.01 : 1" :decimals="digits" :disabled="disabled" @change="(typed) => 'from' in comparison && emit('change', { ...comparison, from: read(typed) })" />
      <NumberField :label="`${label}, to`" :value="shown(comparison.to)" :unit="unit" :min="shown(comparison.from)" :max="shown(largestNumber)" :step="digits > 0 ? 0.01 : 1" :decimals="digits" :disabled="disabled" @change="(typed) => 'from' in comparison && emit('change', { ...comparison, to: read(typed) })" />
    </div>
    <div v-else-if="field.type === 'choice' && 'values' in comparison" class="flex flex-wrap gap-3 px-1 py-1" role="group" :aria-label="label">
      <label v-for="option in field.options" :key="option.value" class="flex items-center gap-1.5"><input type="checkbox" class="size-4 accent-deep-sky" :checked="comparison.values.includes(option.value)" :disabled="disabled" @change="toggle(option.value)">{{ option.words }}</label>
    </div>
    <input v-else-if="'values' in comparison" class="field" :value="comparison.values.join(', ')" :aria-label="`${label}, with commas between`" maxlength="400" :disabled="disabled" @change="readTexts">
    <input v-else-if="'text' in comparison" class="field" :value="comparison.text" :aria-label="label" maxlength="200" :disabled="disabled" @change="readText">
  </div>
</template>
