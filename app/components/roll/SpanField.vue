<script setup lang="ts">
import { computed, ref } from 'vue'
import { largestNumber } from '../../../core/rules/fields.ts'
import { spanUnitOf, spanUnits } from '../../../core/rules/words.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'

/** How long, in minutes, typed in the unit that fits. */
const props = defineProps<{ value: number; label: string; disabled: boolean }>()
const emit = defineEmits<{ change: [minutes: number] }>()
const asked = ref<string | null>(null)
const unit = computed(
  () =>
    spanUnits.find(({ many, minutes }) => many === asked.value && props.value % minutes === 0) ??
    spanUnitOf(props.value),
)
const choices = spanUnits.map(({ many }) => ({ value: many as string, label: many }))

/** The same number of another unit. */
function setUnit(many: string): void {
  const next = spanUnits.find((each) => each.many === many)
  if (!next) return
  asked.value = many
  emit('change', Math.min(largestNumber, (props.value / unit.value.minutes) * next.minutes))
}
</script>

<template>
  <div class="grid grid-cols-[4.5rem_minmax(0,1fr)] gap-1">
    <NumberField
      :label="label"
      :value="value / unit.minutes"
      :min="0"
      :max="Math.floor(largestNumber / unit.minutes)"
      :disabled="disabled"
      @change="(count) => emit('change', count * unit.minutes)"
    />
    <ChoiceField
      :label="`${label}, unit`"
      :value="unit.many as string"
      :choices="choices"
      :disabled="disabled"
      @change="setUnit"
    />
  </div>
</template>
