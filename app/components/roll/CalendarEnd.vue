<script setup lang="ts">
import { computed } from 'vue'
import { placeOnScale } from '../../../core/rules/calendar.ts'
import { useChannel } from '../../composables/useChannel.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'

/** One end of a stretch of time: an hour, a day of any year, or a date. */
const props = defineProps<{ type: 'clock' | 'season' | 'date'; value: string; label: string; disabled: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()
const channel = useChannel()
const two = (value: number) => String(value).padStart(2, '0')
const day = computed(() => Number(props.value.slice(3)))
const month = computed(() => props.value.slice(0, 2))
const months = computed(() =>
  Array.from({ length: 12 }, (_, index) => ({
    value: two(index + 1),
    label: new Intl.DateTimeFormat(channel.value.locale, { month: 'long', timeZone: 'UTC' }).format(
      Date.UTC(2024, index, 1),
    ),
  })),
)
const lastDay = (ofMonth: string) => new Date(Date.UTC(2024, Number(ofMonth), 0)).getUTCDate()

function say(value: string): void {
  if (placeOnScale(value)?.scale === props.type) emit('change', value)
}
const setMonth = (to: string) => say(`${to}-${two(Math.min(day.value, lastDay(to)))}`)
</script>

<template>
  <div v-if="type === 'season'" class="grid grid-cols-[3.2rem_minmax(0,1fr)] gap-1">
    <NumberField
      :label="`${label}, day`"
      :value="day"
      :min="1"
      :max="lastDay(month)"
      :disabled="disabled"
      @change="(to) => say(`${month}-${two(to)}`)"
    />
    <ChoiceField :label="`${label}, month`" :value="month" :choices="months" :disabled="disabled" @change="setMonth" />
  </div>
  <TypedField
    v-else
    class="field font-mono text-xs"
    :type="type === 'clock' ? 'time' : 'date'"
    :value="value"
    :aria-label="label"
    :disabled="disabled"
    @change="say"
  />
</template>
