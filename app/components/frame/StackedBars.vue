<script setup lang="ts">
import type ApexCharts from 'apexcharts'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { paperInks, seriesInks } from './inks.ts'

/** Columns over each other along one axis, on paper. */
const props = defineProps<{
  series: readonly { name: string; data: readonly number[] }[]
  labels: readonly string[]
  /** What it shows, for whoever does not see it. */
  label: string
  heightPx: number
  words: (value: number) => string
}>()
const host = ref<HTMLElement>()
const chart = shallowRef<ApexCharts | null>(null)
const nonceOf = () => document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? ''
const series = computed(() => props.series.map(({ name, data }) => ({ name, data: [...data] })))
const shown = computed(() => ({ series: series.value, categories: [...props.labels] }))

async function draw(): Promise<void> {
  const { default: Apex } = await import('apexcharts')
  if (!host.value || chart.value) return
  chart.value = new Apex(host.value, {
    chart: {
      ...{ type: 'bar', stacked: true, height: props.heightPx, nonce: nonceOf(), fontFamily: 'inherit' },
      ...{ toolbar: { show: false }, animations: { enabled: false }, zoom: { enabled: false } },
    },
    colors: [...seriesInks],
    series: series.value,
    xaxis: {
      categories: [...props.labels],
      ...{ tickAmount: 6, tickPlacement: 'on', axisTicks: { show: false }, tooltip: { enabled: false } },
      labels: { rotate: 0, hideOverlappingLabels: true, style: { colors: paperInks.faded, fontSize: '11px' } },
    },
    yaxis: {
      min: 0,
      ...{ forceNiceScale: true, decimalsInFloat: 0 },
      labels: {
        formatter: (value: number) => props.words(value),
        style: { colors: [paperInks.faded], fontSize: '11px' },
      },
    },
    grid: { borderColor: paperInks.rule, padding: { left: 4, right: 4 } },
    plotOptions: { bar: { columnWidth: '70%' } },
    dataLabels: { enabled: false },
    legend: { position: 'top', horizontalAlign: 'left', fontSize: '12px', labels: { colors: paperInks.ink } },
    tooltip: { theme: 'light' },
  })
  await chart.value.render()
}
watch(host, (element) => element && void draw(), { flush: 'post' })
watch(shown, ({ series: of, categories }) => {
  void chart.value?.updateOptions({ series: of, xaxis: { categories } }, false, false)
})
onBeforeUnmount(() => chart.value?.destroy())
</script>

<template>
  <div ref="host" :style="{ minHeight: `${heightPx}px` }" role="img" :aria-label="label" />
</template>
