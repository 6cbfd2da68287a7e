<script setup lang="ts">
import { computed } from 'vue'
import { targetsOf } from '../../../core/goal/schema.ts'
import type { GoalView } from '../../../contract/goals.ts'

/** How far a goal is: over all that can be reached, with a mark at each target before the last. */
const props = defineProps<{ view: GoalView }>()
const last = computed(() => targetsOf(props.view.goal).at(-1) ?? props.view.goal.target)
const filled = computed(() => Math.min(1, props.view.standing.amount / last.value))
const marks = computed(() =>
  targetsOf(props.view.goal)
    .slice(0, -1)
    .map((target) => ({ target, at: target / last.value, isReached: props.view.standing.amount >= target })),
)
</script>

<template>
  <div class="relative h-3 overflow-hidden rounded-full bg-rule" aria-hidden="true">
    <div class="h-full rounded-full bg-bolt" :style="{ width: `${filled * 100}%` }"></div>
    <span
      v-for="{ target, at, isReached } in marks"
      :key="target"
      class="absolute inset-y-0 w-0.5"
      :class="isReached ? 'bg-char' : 'bg-faded'"
      :style="{ left: `${at * 100}%` }"
    ></span>
  </div>
</template>
