<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ContributionView, GoalView } from '../../../contract/goals.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { tried } from '../../composables/tried.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { formatInTimeZone } from '../../format/formatInTimeZone.ts'
import { useGoalsStore } from '../../stores/goals.ts'
import { useSessionStore } from '../../stores/session.ts'
import NumberField from '../fields/NumberField.vue'
import { amountWords, unitOf } from './goalWords.ts'

/** How the amount of a goal comes about: what was there, what happened, what was corrected. */
const props = defineProps<{ view: GoalView }>()
const goals = useGoalsStore()
const session = useSessionStore()
const channel = useChannel()
const contributions = ref<ContributionView[]>([])
const nextBefore = ref<number | null>(null)
const isCorrecting = ref(false)
const amount = ref(0)
const why = ref('')

const goal = computed(() => props.view.goal)
const unit = computed(() => unitOf(goal.value.measure, channel.value.currency))
const say = (of: number) => amountWords(goal.value, of, channel.value)
const signed = (of: number) => (of > 0 ? `+${say(of)}` : say(of))
const notes = { test: 'a test', refunded: 'given back', noRate: 'no rate for its currency' }
const corrected = computed(() => props.view.corrections.reduce((sum, { amount: by }) => sum + by, 0))

let asked = 0
async function load(before: number | null): Promise<void> {
  const mine = ++asked
  await tried(
    goals.contributions(goal.value.id, before).then((answer) => {
      if (mine !== asked) return
      contributions.value = before === null ? answer.contributions : [...contributions.value, ...answer.contributions]
      nextBefore.value = answer.nextBefore
    }),
  )
}
watch(
  () => [goal.value.id, props.view.sum, props.view.revision],
  () => void load(null),
  { immediate: true },
)
async function correct(): Promise<void> {
  const by = Math.round(amount.value * unit.value.per)
  if (by === 0 || why.value.trim() === '') return
  if (!(await tried(goals.correct(goal.value.id, by, why.value.trim()), 'Corrected.'))) return
  isCorrecting.value = false
  amount.value = 0
  why.value = ''
}
</script>

<template>
  <section class="border-t border-seam pt-3" aria-labelledby="adds-up">
    <div class="flex items-baseline justify-between gap-3">
      <h3 id="adds-up" class="font-display text-base font-semibold">How this adds up</h3>
      <button
        v-if="session.canEdit && !isCorrecting"
        type="button"
        class="link text-mist hover:text-snow"
        @click="isCorrecting = true"
      >
        Correct it…
      </button>
    </div>
    <dl class="mt-1 grid grid-cols-[minmax(0,1fr)_auto]">
      <dt class="text-mist">at the start</dt>
      <dd class="text-right font-mono text-xs">{{ say(goal.startAmount) }}</dd>
      <dt class="text-mist">what happened</dt>
      <dd class="text-right font-mono text-xs">{{ signed(view.sum) }}</dd>
      <template v-if="view.corrections.length > 0">
        <dt class="text-mist">corrected by hand</dt>
        <dd class="text-right font-mono text-xs">{{ signed(corrected) }}</dd>
      </template>
      <dt class="border-t border-seam font-medium">together</dt>
      <dd class="border-t border-seam text-right font-mono text-xs font-semibold">{{ say(view.amount) }}</dd>
    </dl>
    <form v-if="isCorrecting" class="on-paper mt-2 space-y-2 rounded-sm p-3" @submit.prevent="correct">
      <NumberField
        label="By how much"
        :unit="unit.words"
        :value="amount"
        :decimals="unit.decimals"
        :min="-1_000_000_000"
        :max="1_000_000_000"
        @change="(by) => (amount = by)"
      />
      <input
        v-model="why"
        class="field"
        maxlength="200"
        aria-label="Why"
        placeholder="Why? It is kept with your name."
      />
      <div class="flex gap-2">
        <button type="submit" class="button button-bolt" :disabled="amount === 0 || why.trim() === ''">Correct</button>
        <button type="button" class="button" @click="isCorrecting = false">Cancel</button>
      </div>
    </form>
    <ul v-if="view.corrections.length > 0" class="mt-2" aria-label="Corrections">
      <li
        v-for="each in view.corrections"
        :key="each.id"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 border-b border-seam py-1"
      >
        <span class="min-w-0 break-words"
          >{{ each.why }}
          <span class="text-mist">{{ each.byName }}, {{ formatInTimeZone(each.atMs, channel) }}</span></span
        ><span class="font-mono text-xs">{{ signed(each.amount) }}</span>
      </li>
    </ul>
    <ul v-if="contributions.length > 0" class="mt-2" aria-label="What happened">
      <li
        v-for="each in contributions"
        :key="each.seq"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 border-b border-seam py-1"
      >
        <span class="min-w-0 truncate"
          ><bdi>{{ each.name || 'somebody' }}</bdi
          >{{ ' '
          }}<span class="text-mist"
            >{{ kindNames[each.kind].toLowerCase() }}, {{ formatInTimeZone(each.atMs, channel) }}</span
          ></span
        >
        <span class="font-mono text-xs" :class="each.note ? 'text-mist' : ''">{{
          each.note ? notes[each.note] : signed(each.amount)
        }}</span>
      </li>
    </ul>
    <p v-else class="mt-2 text-mist">Nothing that it counts has happened yet.</p>
    <button
      v-if="nextBefore !== null"
      type="button"
      class="link mt-2 text-mist hover:text-snow"
      @click="load(nextBefore)"
    >
      Show what was before
    </button>
  </section>
</template>
