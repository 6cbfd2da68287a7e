<script setup lang="ts">
import { computed } from 'vue'
import type { MeasuredLevel, SoundLevel } from '../../../core/audio/level.ts'

/** How loud a file was recorded and how loud it is on air, against what the box wants. */
const props = defineProps<{ level: MeasuredLevel; gainDb: number; wanted: SoundLevel }>()
const fromDb = -42
const toDb = 3
const at = (db: number) => `${(Math.min(1, Math.max(0, (db - fromDb) / (toDb - fromDb))) * 100).toFixed(2)}%`
const rows = computed(() => [
  { name: 'recorded', lufs: props.level.lufs, peakDb: props.level.truePeakDbtp, isOnAir: false },
  {
    name: 'on air',
    lufs: props.level.lufs + props.gainDb,
    peakDb: props.level.truePeakDbtp + props.gainDb,
    isOnAir: true,
  },
])
const words = (db: number) => db.toFixed(1).replace('-', '−')
const signed = (db: number) => `${db > 0 ? '+' : ''}${words(db)}`
const summary = computed(() =>
  rows.value.map(({ name, lufs, peakDb }) => `${name} ${words(lufs)} LUFS, peak ${words(peakDb)} dBTP`).join('; '),
)
</script>

<template>
  <figure
    :aria-label="`Level: ${summary}; wanted ${words(wanted.targetLufs)} LUFS, peak at most ${words(wanted.ceilingDbtp)} dBTP`"
    role="img"
  >
    <div class="relative ml-16 space-y-1.5 pt-4 pb-1">
      <div class="absolute inset-y-0 top-3.5 border-l-2 border-ink" :style="{ left: at(wanted.targetLufs) }">
        <span class="absolute -top-3.5 -translate-x-1/2 font-mono text-2xs whitespace-nowrap">{{
          words(wanted.targetLufs)
        }}</span>
      </div>
      <div
        class="absolute inset-y-0 top-3.5 border-l border-dashed border-brick"
        :style="{ left: at(wanted.ceilingDbtp) }"
      />
      <div v-for="row in rows" :key="row.name" class="relative h-4 rounded-xs bg-rule/50">
        <span class="absolute -left-16 text-faded">{{ row.name }}</span>
        <span
          class="absolute inset-y-0 left-0 rounded-xs"
          :class="row.isOnAir ? 'bg-moss' : 'border border-faded bg-transparent'"
          :style="{ width: at(row.lufs) }"
        />
        <span
          class="absolute inset-y-0 w-0.5"
          :class="row.peakDb > wanted.ceilingDbtp + 0.05 ? 'bg-brick' : 'bg-ink'"
          :style="{ left: at(row.peakDb) }"
        />
      </div>
    </div>
    <p class="text-2xs text-faded">
      Bars: loudness, beside what the box wants. Ticks: the highest peak, beside the dashed ceiling.
    </p>
    <table class="mt-1 w-full text-right font-mono text-2xs">
      <thead class="sr-only">
        <tr>
          <th>What</th>
          <th>Loudness</th>
          <th>True peak</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th class="text-left font-sans text-xs font-normal text-faded">{{ row.name }}</th>
          <td>{{ words(row.lufs) }} LUFS</td>
          <td :class="row.peakDb > wanted.ceilingDbtp + 0.05 ? 'font-semibold text-brick' : ''">
            {{ words(row.peakDb) }} dBTP
          </td>
        </tr>
        <tr>
          <th class="text-left font-sans text-xs font-normal text-faded">gain</th>
          <td>{{ signed(gainDb) }} dB</td>
          <td />
        </tr>
      </tbody>
    </table>
  </figure>
</template>
