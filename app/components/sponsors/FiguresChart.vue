<script setup lang="ts">
import type ApexCharts from 'apexcharts'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { SponsorsView } from '../../../contract/sponsors.ts'
import { useChannel } from '../../composables/useChannel.ts'

/** What came of sponsors day by day: impressions of each as columns over each other, or clicks. */
const props = defineProps<{ view: SponsorsView; of: 'impressions' | 'clicks' }>()
const channel = useChannel()
const host = ref<HTMLElement>()
const chart = shallowRef<ApexCharts | null>(null)
/** Inks of the papers: told apart by lightness, too. */
const inks = ['#1f5f8b', '#ffc247', '#2f6b4c', '#a83a26', '#5d594d', '#5aa4d6']

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
const nonceOf = () => document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? ''
const shown = computed(() => ({ series: series.value, labels: labels.value, of: props.of }))

async function draw(): Promise<void> {
  const { default: Apex } = await import('apexcharts')
  if (!host.value || chart.value) return
  chart.value = new Apex(host.value, {
    chart: {
      ...{ type: 'bar', stacked: true, height: 190, nonce: nonceOf(), fontFamily: 'inherit' },
      ...{ toolbar: { show: false }, animations: { enabled: false }, zoom: { enabled: false } },
    },
    colors: inks,
    series: series.value,
    xaxis: {
      categories: labels.value,
      ...{ tickAmount: 6, tickPlacement: 'on', axisTicks: { show: false }, tooltip: { enabled: false } },
      labels: { rotate: 0, hideOverlappingLabels: true, style: { colors: '#5d594d', fontSize: '11px' } },
    },
    yaxis: {
      min: 0,
      ...{ forceNiceScale: true, decimalsInFloat: 0 },
      labels: { formatter: number, style: { colors: ['#5d594d'], fontSize: '11px' } },
    },
    grid: { borderColor: '#d8ccb4', padding: { left: 4, right: 4 } },
    plotOptions: { bar: { columnWidth: '70%' } },
    dataLabels: { enabled: false },
    legend: { position: 'top', horizontalAlign: 'left', fontSize: '12px', labels: { colors: '#1b2230' } },
    tooltip: { theme: 'light' },
  })
  await chart.value.render()
}
watch(host, (element) => element && void draw(), { flush: 'post' })
watch(shown, ({ series: of, labels: categories }) => {
  void chart.value?.updateOptions({ series: of, xaxis: { categories } }, false, false)
})
onBeforeUnmount(() => chart.value?.destroy())
</script>

<template>
  <div ref="host" class="min-h-48" role="img" :aria-label="`${of} of each sponsor, day by day`" />
</template>
