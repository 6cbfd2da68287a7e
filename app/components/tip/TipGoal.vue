<script setup lang="ts">
import { computed } from 'vue'
import type { GoalSlice } from '../../../core/board/slice.ts'
import { counted } from '../../format/counted.ts'
import { shortMoney } from './tipForm.ts'

/** What a tip does to the goal: how far it is, and how far it would be. */
const props = defineProps<{
  goal: NonNullable<GoalSlice['goal']>
  /** What is being typed, in minor units; 0: nothing. */
  addedMinor: number
  locale: string
}>()
const say = (minor: number) => shortMoney(minor, props.goal.currency ?? 'EUR', props.locale)
const share = (minor: number) => `${Math.min(1, minor / props.goal.target) * 100}%`
const after = computed(() => props.goal.amount + props.addedMinor)
const isFilled = computed(() => props.goal.amount < props.goal.target && after.value >= props.goal.target)
</script>

<template>
  <section :aria-label="`The goal: ${goal.title}`">
    <div class="flex items-baseline justify-between gap-4 text-base font-semibold">
      <h2 class="min-w-0 break-words">
        <bdi>{{ goal.title }}</bdi>
      </h2>
      <span class="shrink-0">{{ say(goal.amount) }} of {{ say(goal.target) }}</span>
    </div>
    <div class="relative mt-2 h-3.5 overflow-hidden rounded-full bg-(--dark-edge)" aria-hidden="true">
      <span
        class="hatched absolute inset-y-0 left-0 transition-[width] duration-300"
        :style="{ width: share(after) }"
      />
      <span class="absolute inset-y-0 left-0 rounded-full bg-(--accent)" :style="{ width: share(goal.amount) }" />
    </div>
    <div class="mt-1.5 flex justify-between gap-4 text-(--dark-faded)">
      <span role="status">{{
        addedMinor > 0 ? `yours brings it to ${say(after)}${isFilled ? ', and that is all of it' : ''}` : ''
      }}</span>
      <span v-if="goal.daysLeft !== null">{{
        goal.daysLeft === 0 ? 'its last day' : `${counted(goal.daysLeft, 'day')} to go`
      }}</span>
    </div>
  </section>
</template>

<style scoped>
.hatched {
  background-image: repeating-linear-gradient(
    -45deg,
    var(--accent) 0 5px,
    color-mix(in srgb, var(--accent) 35%, var(--dark-edge)) 5px 10px
  );
}
</style>
