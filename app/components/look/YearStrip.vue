<script setup lang="ts">
import { computed } from 'vue'
import { yearOf, type Season } from '../../../core/look/seasons.ts'
import { localMoment } from '../../../core/time/localMoment.ts'
import { dayAndMonth } from '../../format/time.ts'
import { useChannel } from '../../composables/useChannel.ts'

/** The year as it will look: which look on which days. Click a stretch to look at its first day. */
const props = defineProps<{ seasons: readonly Season[]; chosenId: string | null }>()
const emit = defineEmits<{ look: [day: string] }>()
const channel = useChannel()
const year = new Date().getFullYear()
const first = Date.UTC(year, 0, 1) / 86_400_000
const dayCount = Date.UTC(year + 1, 0, 1) / 86_400_000 - first
const percent = (day: number) => ((day - first) / dayCount) * 100
const dayWords = (day: number) => dayAndMonth(day, channel.value.locale)
const today = computed(() => percent(localMoment(Date.now(), channel.value.timeZone).day))
const stretches = computed(() =>
  yearOf(props.seasons, year).map((stretch) => {
    const look = props.seasons.find(({ id }) => id === stretch.seasonId)?.look
    return { ...stretch, name: look?.name ?? 'every day', colour: look?.palette.accent ?? null }
  }),
)
const months = computed(() =>
  Array.from({ length: 12 }, (_, month) =>
    new Intl.DateTimeFormat(channel.value.locale, { month: 'narrow', timeZone: 'UTC' }).format(
      Date.UTC(year, month, 1),
    ),
  ),
)
const isoOf = (day: number) => new Date(day * 86_400_000).toISOString().slice(0, 10)
</script>

<template>
  <div role="group" :aria-label="`Looks over ${year}`">
    <div class="relative h-5 rounded-xs border border-rule bg-sheet">
      <button
        v-for="stretch in stretches"
        :key="stretch.first"
        type="button"
        class="absolute inset-y-0 border-r border-rule -outline-offset-2"
        :class="stretch.seasonId === chosenId ? 'shadow-[inset_0_-3px_0_var(--color-ink)]' : ''"
        :style="{
          left: `${percent(stretch.first)}%`,
          width: `${percent(stretch.last + 1) - percent(stretch.first)}%`,
          background: stretch.colour ?? 'transparent',
        }"
        :title="`${stretch.name}: ${dayWords(stretch.first)} to ${dayWords(stretch.last)}`"
        :aria-label="`${stretch.name}: ${dayWords(stretch.first)} to ${dayWords(stretch.last)}`"
        @click="emit('look', isoOf(stretch.first))"
      />
      <span class="pointer-events-none absolute -inset-y-0.5 w-0.5 bg-brick" :style="{ left: `${today}%` }" />
    </div>
    <div class="grid grid-cols-12 text-center font-mono text-2xs text-faded" aria-hidden="true">
      <span v-for="(month, index) in months" :key="index">{{ month }}</span>
    </div>
  </div>
</template>
