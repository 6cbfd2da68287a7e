<script setup lang="ts">
import { computed } from 'vue'
import type { SponsorsView } from '../../../contract/sponsors.ts'
import { useChannel } from '../../composables/useChannel.ts'
import StackedBars from '../frame/StackedBars.vue'

/** What came of sponsors day by day: impressions of each as columns over each other, or clicks. */
const props = defineProps<{ view: SponsorsView; of: 'impressions' | 'clicks' }>()
const channel = useChannel()

const days = computed(() => {
  const { today, dayCount } = props.view
  return Array.from({ length: dayCount }, (_, at) => today - dayCount + 1 + at)
})
const series = computed(() =>
  props.view.campaigns
    .map(({ campaign: { id, name } }) => ({
      name,
      data: days.value.map(
        (day) => props.view.days.find((each) => each.campaignId === id && each.day === day)?.[props.of] ?? 0,
      ),
    }))
    .filter(({ data }) => data.some((count) => count > 0)),
)
const labels = computed(() => {
  const format = new Intl.DateTimeFormat(channel.value.locale, { day: 'numeric', month: 'short', timeZone: 'UTC' })
  return days.value.map((day) => format.format(day * 86_400_000))
})
const number = (count: number) => new Intl.NumberFormat(channel.value.locale).format(count)
</script>

<template>
  <StackedBars
    :series="series"
    :labels="labels"
    :label="`${of} of each sponsor, day by day`"
    :height-px="190"
    :words="number"
  />
</template>
