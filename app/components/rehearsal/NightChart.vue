<script setup lang="ts">
import type ApexCharts from 'apexcharts'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useScheme } from '../../composables/useScheme.ts'
import { edgePx, rightPx } from './chartPlace.ts'

/** A series along the night; `ink` names a colour of the frame. */
export interface NightSeries {
  name: string
  type: 'column' | 'area' | 'line' | 'scatter'
  ink: 'sky' | 'mist' | 'glow' | 'wrong' | 'deep-sky'
  isDashed?: boolean
  points: readonly (readonly [atMs: number, value: number])[]
}

/** One picture of a night. All of them lie over the same stretch of time, and none says anything by itself when pointed at. */
const props = defineProps<{
  title: string
  note: string
  series: readonly NightSeries[]
  range: { min: number; max: number }
  /** What it shows, for whoever does not see it. */
  label: string
  heightPx: number
  /** The largest value that has to fit. */
  most: number
  words: (value: number) => string
  isStacked?: boolean
}>()
const host = ref<HTMLElement>()
const chart = shallowRef<ApexCharts | null>(null)
const { scheme } = useScheme()
const nonceOf = () => document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? ''
const inkOf = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim()
/** The library gives each picture another place for what it draws: what it missed by is put right once it is known. */
const missed = ref({ left: 0, right: 0 })
const labelStyle = () => ({ colors: inkOf('mist'), fontSize: '11px' })

const drawn = computed(() => {
  const isDots = props.series.some(({ type }) => type === 'scatter')
  return {
    series: props.series.map(({ name, type, points }) => ({ name, type, data: points.map(([x, y]) => ({ x, y })) })),
    xaxis: {
      ...{ type: 'numeric' as const, min: props.range.min, max: props.range.max },
    },
    strokes: props.series.map(({ type }) => (type === 'area' || type === 'line' ? 1.8 : 0)),
    dashes: props.series.map(({ isDashed }) => (isDashed ? 4 : 0)),
    opacities: props.series.map(({ type }) => (type === 'area' ? 0.16 : 0.95)),
    sizes: isDots ? props.series.map(() => 2) : [0],
  }
})
const optionsOf = () => ({
  ...{ series: drawn.value.series, colors: props.series.map(({ ink }) => inkOf(ink)) },
  stroke: { width: drawn.value.strokes, dashArray: drawn.value.dashes },
  fill: { type: 'solid', opacity: drawn.value.opacities },
  markers: { size: drawn.value.sizes, strokeWidth: 0, hover: { sizeOffset: 0 } },
  xaxis: {
    ...drawn.value.xaxis,
    ...{ axisTicks: { show: false }, axisBorder: { color: inkOf('seam') }, tooltip: { enabled: false } },
    labels: { show: false },
    crosshairs: { show: false },
  },
  yaxis: {
    ...{ min: 0, max: props.most, tickAmount: 2 },
    labels: { minWidth: edgePx - 8, maxWidth: edgePx - 8, style: labelStyle(), formatter: props.words },
  },
  grid: {
    borderColor: inkOf('seam'),
    ...{ xaxis: { lines: { show: false } }, yaxis: { lines: { show: false } } },
    padding: { top: -18, bottom: -8, left: missed.value.left, right: missed.value.right },
  },
})
/** What is drawn lies between the edges that all pictures of a night share. */
function putRight(): void {
  const { translateX, gridWidth } =
    (chart.value as unknown as { w?: { globals: { translateX: number; gridWidth: number } } } | null)?.w?.globals ?? {}
  if (!host.value || translateX === undefined || gridWidth === undefined) return
  const left = edgePx - translateX
  const right = translateX + gridWidth - (host.value.clientWidth - rightPx)
  if (Math.abs(left) < 0.6 && Math.abs(right) < 0.6) return
  missed.value = { left: missed.value.left + left, right: missed.value.right + right }
  void chart.value?.updateOptions(optionsOf(), false, false)
}

async function draw(): Promise<void> {
  const { default: Apex } = await import('apexcharts')
  if (!host.value || chart.value) return
  chart.value = new Apex(host.value, {
    chart: {
      ...{ type: 'line', stacked: props.isStacked ?? false, height: props.heightPx, nonce: nonceOf() },
      ...{ fontFamily: 'inherit', background: 'transparent', toolbar: { show: false }, animations: { enabled: false } },
      ...{ zoom: { enabled: false }, selection: { enabled: false } },
    },
    ...optionsOf(),
    plotOptions: { bar: { columnWidth: '86%' } },
    ...{ dataLabels: { enabled: false }, legend: { show: false }, tooltip: { enabled: false } },
    states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
  })
  await chart.value.render()
  putRight()
}
watch(host, (element) => element && void draw(), { flush: 'post' })
watch([drawn, scheme], () => void chart.value?.updateOptions(optionsOf(), false, false), { flush: 'post' })
onBeforeUnmount(() => chart.value?.destroy())
</script>

<template>
  <div>
    <h2 class="relative w-fit bg-night pr-3 font-semibold">
      {{ title }} <span class="ml-2 font-normal text-mist">{{ note }}</span>
    </h2>
    <div
      ref="host"
      class="pointer-events-none"
      :style="{ minHeight: `${heightPx}px` }"
      role="img"
      :aria-label="label"
    />
  </div>
</template>
