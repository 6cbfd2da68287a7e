<script setup lang="ts">
import { computed } from 'vue'
import type { GoalView } from '../../../contract/goals.ts'
import { feedSource } from '../../../core/events/feedSource.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { moneyKinds } from '../../../core/events/moneyKinds.ts'
import type { Goal, GoalMeasure } from '../../../core/goal/schema.ts'
import { localText, momentOfText } from '../../../core/time/localText.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { formatInTimeZone } from '../../format/formatInTimeZone.ts'
import { useGoalsStore } from '../../stores/goals.ts'
import { useSessionStore } from '../../stores/session.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import SentenceRow from '../fields/SentenceRow.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import { amountWords, measureChoices, measureWords, newMeasures, unitOf } from './goalWords.ts'

/** All that a goal says, each sentence changed in its place. */
const props = defineProps<{ view: GoalView; feeds: readonly { id: string; name: string }[] }>()
const emit = defineEmits<{ change: [edit: (goal: Goal) => Goal] }>()
const goals = useGoalsStore()
const session = useSessionStore()
const channel = useChannel()

const goal = computed(() => props.view.goal)
const measure = computed(() => goal.value.measure)
const set = (fields: Partial<Goal>) => emit('change', (of) => ({ ...of, ...fields }))
const unit = computed(() => unitOf(measure.value, channel.value.currency))
const typed = (whole: number) => Math.round(whole * unit.value.per)
const say = (amount: number) => amountWords(goal.value, amount, channel.value)

/** A target that passes its stretches takes them along. */
const setTarget = (target: number) =>
  emit('change', (of) => ({ ...of, target, stretches: of.stretches.filter((each) => each > target) }))
const setStretch = (at: number, amount: number) =>
  emit('change', (of) => ({
    ...of,
    stretches: [...new Set(of.stretches.with(at, amount))].filter((each) => each > of.target).sort((a, b) => a - b),
  }))
const others = computed(() =>
  (goals.view?.goals ?? []).filter((each) => each.goal.id !== goal.value.id).map(({ goal: of }) => of),
)
const thenChoices = computed(() => [
  { value: 'stop', label: 'it stays as it is' },
  ...(goal.value.stretches.length === 0 ? [{ value: 'repeat', label: 'it begins anew, with what is over' }] : []),
  ...others.value.map(({ id, title }) => ({ value: id, label: `“${title}” begins` })),
])
const thenValue = computed(() => (goal.value.then.do === 'next' ? goal.value.then.goalId : goal.value.then.do))
const thenSays = computed(
  () => thenChoices.value.find(({ value }) => value === thenValue.value)?.label ?? 'the next one, which is gone',
)
const setThen = (value: string) =>
  set({ then: value === 'stop' || value === 'repeat' ? { do: value } : { do: 'next', goalId: value } })
const changeMeasure = (next: GoalMeasure) => set({ measure: next })
function toggleKind(kind: (typeof moneyKinds)[number]): void {
  if (measure.value.of !== 'money') return
  const { kinds } = measure.value
  const next = kinds.includes(kind) ? kinds.filter((each) => each !== kind) : [...kinds, kind]
  if (next.length > 0) changeMeasure({ of: 'money', kinds: next })
}
/** Feeds whose events count; none chosen: all. */
const heardAt = computed(() => {
  const { sources } = goal.value
  if (!sources) return 'every feed'
  return (
    props.feeds
      .filter(({ id }) => sources.includes(feedSource(id)))
      .map(({ name }) => name)
      .join(', ') || 'feeds that are not linked any more'
  )
})
function toggleFeed(id: string): void {
  const of = feedSource(id)
  const sources = goal.value.sources ?? props.feeds.map((feed) => feedSource(feed.id))
  const next = sources.includes(of) ? sources.filter((each) => each !== of) : [...sources, of]
  if (next.length > 0) set({ sources: props.feeds.every((feed) => next.includes(feedSource(feed.id))) ? null : next })
}
const untilDefault = () => Math.max(Date.now(), goal.value.fromMs) + 30 * 86_400_000
function setMoment(field: 'fromMs' | 'untilMs', text: string): void {
  const atMs = momentOfText(text, channel.value.timeZone)
  if (atMs !== null) set({ [field]: atMs })
}
</script>

<template>
  <div class="space-y-2">
    <SentenceRow label="Counts" :says="measureWords(measure)" :can-edit="session.canEdit">
      <ChoiceField
        label="What counts"
        :value="measure.of"
        :choices="measureChoices"
        @change="(of) => changeMeasure(newMeasures[of])"
      />
      <template v-if="measure.of === 'money'">
        <TickBox
          v-for="kind in moneyKinds"
          :key="kind"
          :checked="measure.kinds.includes(kind)"
          @change="toggleKind(kind)"
          >{{ kindNames[kind] }}</TickBox
        >
        <p class="text-faded">Other currencies count by your rates. Money without a rate counts nothing.</p>
      </template>
      <template v-else-if="measure.of === 'subscriptions'">
        <div class="grid grid-cols-3 gap-2">
          <NumberField
            v-for="tier in [1, 2, 3] as const"
            :key="tier"
            :label="`What one of tier ${tier} counts`"
            :unit="`tier ${'I'.repeat(tier)}`"
            :value="measure.weights[tier]"
            :min="0"
            :max="1000"
            @change="
              (weight) =>
                measure.of === 'subscriptions' &&
                changeMeasure({ ...measure, weights: { ...measure.weights, [tier]: weight } })
            "
          />
        </div>
        <TickBox
          :checked="measure.renewals"
          @change="(renewals) => measure.of === 'subscriptions' && changeMeasure({ ...measure, renewals })"
          >Renewals count, too</TickBox
        >
        <TickBox
          :checked="measure.gifts"
          @change="(gifts) => measure.of === 'subscriptions' && changeMeasure({ ...measure, gifts })"
          >Gifts count, too</TickBox
        >
      </template>
      <TickBox
        v-else-if="measure.of === 'members'"
        :checked="measure.renewals"
        @change="(renewals) => changeMeasure({ of: 'members', renewals })"
        >Renewals count, too</TickBox
      >
    </SentenceRow>
    <SentenceRow label="Heard at" :says="heardAt" :can-edit="session.canEdit">
      <TickBox
        v-for="feed in feeds"
        :key="feed.id"
        :checked="!goal.sources || goal.sources.includes(feedSource(feed.id))"
        @change="toggleFeed(feed.id)"
        >{{ feed.name }}</TickBox
      >
    </SentenceRow>
    <SentenceRow
      label="Target"
      :says="[goal.target, ...goal.stretches].map(say).join(', then ')"
      :can-edit="session.canEdit"
    >
      <NumberField
        label="Target"
        :unit="unit.words"
        :value="goal.target / unit.per"
        :decimals="unit.decimals"
        :min="1 / unit.per"
        :max="1_000_000_000"
        @change="(whole) => setTarget(typed(whole))"
      />
      <div v-for="(stretch, at) in goal.stretches" :key="at" class="flex gap-2">
        <NumberField
          class="min-w-0 flex-1"
          :label="`Stretch target ${at + 1}`"
          :unit="unit.words"
          :value="stretch / unit.per"
          :decimals="unit.decimals"
          :min="(goal.target + 1) / unit.per"
          :max="1_000_000_000"
          @change="(whole) => setStretch(at, typed(whole))"
        /><button
          type="button"
          class="button px-2!"
          :aria-label="`Remove stretch target ${at + 1}`"
          @click="set({ stretches: goal.stretches.toSpliced(at, 1) })"
        >
          ×
        </button>
      </div>
      <button
        v-if="goal.stretches.length < 5 && goal.then.do !== 'repeat'"
        type="button"
        class="link text-deep-sky"
        @click="set({ stretches: [...goal.stretches, Math.round((goal.stretches.at(-1) ?? goal.target) * 1.5) || 2] })"
      >
        Add a stretch target
      </button>
    </SentenceRow>
    <SentenceRow label="Begins with" :says="say(goal.startAmount)" :can-edit="session.canEdit">
      <NumberField
        label="What is there at the start"
        :unit="unit.words"
        :value="goal.startAmount / unit.per"
        :decimals="unit.decimals"
        :min="0"
        :max="1_000_000_000"
        @change="(whole) => set({ startAmount: typed(whole) })"
      />
    </SentenceRow>
    <SentenceRow label="From" :says="formatInTimeZone(goal.fromMs, channel)" :can-edit="session.canEdit">
      <TypedField
        type="datetime-local"
        class="field"
        aria-label="From when it counts"
        :value="localText(goal.fromMs, channel.timeZone)"
        @change="(text) => setMoment('fromMs', text)"
      />
      <p class="text-faded">
        What happened before counts, too, if you go back. By the clock in {{ channel.timeZone }}.
      </p>
    </SentenceRow>
    <SentenceRow
      label="Until"
      :says="goal.untilMs === null ? 'you end it' : formatInTimeZone(goal.untilMs, channel)"
      :can-edit="session.canEdit"
    >
      <TickBox :checked="goal.untilMs !== null" @change="(hasEnd) => set({ untilMs: hasEnd ? untilDefault() : null })"
        >It ends by itself</TickBox
      >
      <TypedField
        v-if="goal.untilMs !== null"
        type="datetime-local"
        class="field"
        aria-label="Until when it counts"
        :value="localText(goal.untilMs, channel.timeZone)"
        @change="(text) => setMoment('untilMs', text)"
      />
    </SentenceRow>
    <SentenceRow label="And then" :says="thenSays" :can-edit="session.canEdit">
      <ChoiceField label="What happens then" :value="thenValue" :choices="thenChoices" @change="setThen" />
    </SentenceRow>
  </div>
</template>
