<script setup lang="ts">
import { Plus } from '@lucide/vue'
import { computed } from 'vue'
import { formatInTimeZone } from '../../format/formatInTimeZone.ts'
import { counted } from '../../format/counted.ts'
import type { GoalView } from '../../../contract/goals.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useGoalsStore } from '../../stores/goals.ts'
import { useSessionStore } from '../../stores/session.ts'
import GoalBar from './GoalBar.vue'
import { amountWords, measureWords } from './goalWords.ts'

/** The goals of the channel, those that go on and those that are past. */
defineProps<{ chosenId: string | null }>()
const emit = defineEmits<{ choose: [id: string]; create: [] }>()
const goals = useGoalsStore()
const session = useSessionStore()
const channel = useChannel()
const groups = computed(() =>
  [
    { name: 'Now', isNamed: false, goals: goals.view?.goals ?? [] },
    { name: 'Past goals', isNamed: true, goals: goals.view?.past ?? [] },
  ].filter((group) => group.goals.length > 0),
)

const say = (view: GoalView, amount: number) => amountWords(view.goal, amount, channel.value)
function when({ goal, standing, endedAtMs }: GoalView): string {
  if (endedAtMs !== null) return `until ${formatInTimeZone(endedAtMs, channel.value)}`
  if (standing.phase === 'coming') return `from ${formatInTimeZone(goal.fromMs, channel.value)}`
  if (standing.daysLeft === null) return 'until you end it'
  return standing.daysLeft === 0 ? 'its last day' : `${counted(standing.daysLeft, 'day')} to go`
}
const state = ({ standing, endedAtMs, goal }: GoalView) => {
  if (standing.round > 0) return `${counted(standing.round, 'time')} full`
  if (standing.reached.length > goal.stretches.length) return 'all of it reached'
  if (standing.reached.length > 0) return 'reached'
  return endedAtMs === null ? '' : 'not reached'
}
</script>

<template>
  <section class="on-paper flex min-h-0 flex-col overflow-y-auto px-7 py-5" aria-labelledby="goals">
    <div class="flex items-start justify-between gap-4">
      <div>
        <h1 id="goals" class="font-display text-3xl font-semibold">Goals</h1>
        <p class="mt-1 text-faded">
          What you and your viewers want to reach. Tests and what was given back never count.
        </p>
      </div>
      <button v-if="session.canEdit" type="button" class="button mt-1 shrink-0" @click="emit('create')">
        <Plus :size="15" aria-hidden="true" />New goal
      </button>
    </div>
    <div v-for="group in groups" :key="group.name" class="mt-4">
      <h2 v-if="group.isNamed" class="caps border-b border-rule px-3 pb-1.5 text-faded">{{ group.name }}</h2>
      <ol :class="group.isNamed ? '' : 'border-t border-rule'" :aria-label="group.name">
        <li v-for="view in group.goals" :key="view.goal.id" class="border-b border-rule">
          <button
            type="button"
            class="block w-full px-3 py-3 text-left hover:bg-rule/40"
            :class="view.goal.id === chosenId ? 'bg-rule/70' : ''"
            :aria-current="view.goal.id === chosenId ? 'true' : undefined"
            @click="emit('choose', view.goal.id)"
          >
            <span class="flex items-baseline justify-between gap-4">
              <span class="min-w-0 truncate font-display text-lg font-semibold"
                ><bdi>{{ view.goal.title }}</bdi></span
              >
              <span class="shrink-0"
                ><b class="font-mono text-base">{{ say(view, view.standing.amount) }}</b>
                <span class="text-faded"> of {{ say(view, view.standing.target) }}</span></span
              >
            </span>
            <GoalBar class="my-2" :view="view" />
            <span class="flex justify-between gap-4 text-faded">
              <span class="min-w-0 truncate">{{ measureWords(view.goal.measure) }}</span>
              <span class="shrink-0"
                ><b v-if="state(view)" class="font-medium text-ink">{{ state(view) }}</b
                >{{ state(view) ? ', ' : '' }}{{ when(view) }}</span
              >
            </span>
          </button>
        </li>
      </ol>
    </div>
    <div v-if="goals.view && groups.length === 0" class="mt-6 rounded-sm border border-dashed border-faded p-6">
      <h2 class="font-display text-lg font-semibold">Nothing to reach yet</h2>
      <p class="mt-1 max-w-prose text-faded">
        A goal counts what you choose, from a moment on: tips for a new oven, followers, subscriptions. It is never
        typed in: it is added up of what really happened, and you can look at every part of it.
      </p>
      <button v-if="session.canEdit" type="button" class="button button-bolt mt-3" @click="emit('create')">
        Make the first goal
      </button>
    </div>
  </section>
</template>
