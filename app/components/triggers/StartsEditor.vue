<script setup lang="ts">
import { X } from '@lucide/vue'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { fieldsOf } from '../../../core/rules/fields.ts'
import type { Trigger, TriggerStart } from '../../../core/triggers/schema.ts'
import { wordsOf } from '../../api/request.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import TypedField from '../fields/TypedField.vue'
import RuleEditor from '../roll/RuleEditor.vue'
import { startOf } from '../roll/comparisonStart.ts'
import DayTicks from './DayTicks.vue'
import RewardFields from './RewardFields.vue'
import TimeField from './TimeField.vue'
import { rewardOf, startWords } from './startWords.ts'

/** What starts a trigger: rewards, commands, a button, events, a time. */
const props = defineProps<{ trigger: Trigger }>()
const emit = defineEmits<{ change: [starts: TriggerStart[]] }>()
const triggers = useTriggersStore()
onMounted(() => void triggers.loadRewards().catch((error: unknown) => toast.error(wordsOf(error))))
const prefix = computed(() => triggers.view?.settings.prefix ?? '!')
const isMaking = ref(false)

const put = (at: number, start: TriggerStart | null) =>
  emit(
    'change',
    props.trigger.starts.flatMap((each, index) => (index === at ? (start ?? []) : [each])),
  )
const add = (start: TriggerStart) => emit('change', [...props.trigger.starts, start])
/** Rewards that start nothing here yet. */
const free = computed(() =>
  triggers.rewards.filter(
    ({ source, id }) =>
      !props.trigger.starts.some((start) => start.by === 'reward' && start.source === source && start.rewardId === id),
  ),
)
const kindChoices = eventKinds.map((value) => ({ value, label: kindNames[value] }))
/** Two rewards of one name are told apart by their prices. */
const rewardChoices = computed(() => [
  { value: '', label: 'a reward of a platform…' },
  ...free.value.map(({ source, id, title, feedName, cost }) => ({
    value: `${source} ${id}`,
    label: `${title} (${feedName}, ${cost})`,
  })),
  ...(triggers.rewardFeeds.length > 0 ? [{ value: 'new', label: 'a new reward…' }] : []),
])
function addReward(value: string): void {
  if (value === 'new') {
    isMaking.value = true
    return
  }
  const reward = free.value.find(({ source, id }) => `${source} ${id}` === value)
  if (reward) add({ by: 'reward', source: reward.source, rewardId: reward.id, title: reward.title })
}
async function makeReward(fields: Parameters<typeof triggers.makeReward>[0]): Promise<void> {
  try {
    const made = await triggers.makeReward(fields)
    isMaking.value = false
    add({ by: 'reward', source: made.source, rewardId: made.id, title: made.title })
    toast.success(`“${made.title}” is on ${made.feedName} now.`)
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
const otherChoices = [
  { value: '', label: 'something else…' },
  { value: 'command', label: 'a chat command' },
  { value: 'hand', label: 'a button on the desk' },
  { value: 'event', label: 'an event' },
  { value: 'time', label: 'a time' },
] as const
function addOther(by: (typeof otherChoices)[number]['value']): void {
  const word =
    props.trigger.name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'command'
  if (by === 'command') add({ by, word: word.slice(0, 40), aliases: [] })
  else if (by === 'hand') add({ by, key: null })
  else if (by === 'event') add({ by, kinds: ['raid'], rule: null })
  else if (by === 'time') add({ by, minute: 22 * 60, weekdays: [0, 1, 2, 3, 4, 5, 6] })
}
function setWords(at: number, start: Extract<TriggerStart, { by: 'command' }>, typed: string): void {
  const [word, ...aliases] = [...new Set(typed.split(/[\s,]+/).map((each) => each.replace(prefix.value, '')))].filter(
    (each) => /^[\p{L}\p{M}\p{N}_-]{1,40}$/u.test(each),
  )
  if (word !== undefined) put(at, { ...start, word, aliases: aliases.slice(0, 20) })
}
function setRule(at: number, start: Extract<TriggerStart, { by: 'event' }>): void {
  const [field] = fieldsOf({ kinds: start.kinds, offer: null })
  if (field) put(at, { ...start, rule: { match: 'all', of: [startOf(field)] } })
}
async function changeReward(start: TriggerStart, fields: Parameters<typeof triggers.changeReward>[1]): Promise<void> {
  const reward = rewardOf(start, triggers.rewards)
  if (!reward) return
  try {
    await triggers.changeReward(reward, fields)
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
</script>

<template>
  <div
    v-for="(start, at) in trigger.starts"
    :key="at"
    class="rounded-sm bg-sheet p-2"
    role="group"
    :aria-label="`Start ${at + 1}`"
  >
    <div class="mb-1 flex items-center justify-between gap-2">
      <span class="min-w-0 truncate text-faded">{{ startWords(start, prefix, triggers.rewards) }}</span>
      <button
        type="button"
        class="grid size-6 shrink-0 place-items-center rounded-sm hover:bg-rule/60"
        :aria-label="`Take start ${at + 1} away`"
        @click="put(at, null)"
      >
        <X :size="13" aria-hidden="true" />
      </button>
    </div>
    <template v-if="start.by === 'reward'">
      <RewardFields
        v-if="rewardOf(start, triggers.rewards)"
        :reward="rewardOf(start, triggers.rewards)!"
        @change="(fields) => changeReward(start, fields)"
      />
      <p v-else class="text-brick">
        “{{ start.title }}” is not on its platform any more. Take it away, or choose another.
      </p>
    </template>
    <TypedField
      v-else-if="start.by === 'command'"
      class="field"
      aria-label="The word and its aliases, with blanks between them"
      :value="[start.word, ...start.aliases].map((word) => prefix + word).join(' ')"
      @change="(typed) => setWords(at, start, typed)"
    />
    <label v-else-if="start.by === 'hand'" class="flex items-center gap-2"
      >Key on the desk<TypedField
        class="field w-16! text-center"
        aria-label="Key on the desk"
        maxlength="1"
        :value="start.key ?? ''"
        @change="(typed) => put(at, { ...start, key: typed === '' ? null : typed.toLowerCase() })"
    /></label>
    <template v-else-if="start.by === 'event'">
      <ChoiceField
        label="Which event"
        :value="start.kinds[0] ?? 'raid'"
        :choices="kindChoices"
        @change="(kind) => put(at, { ...start, kinds: [kind as EventKind], rule: null })"
      />
      <RuleEditor
        v-if="start.rule"
        class="mt-2"
        :rule="start.rule"
        :listener="{ kinds: start.kinds, offer: null }"
        :disabled="false"
        @change="(rule) => put(at, { ...start, rule })"
      />
      <button
        type="button"
        class="link mt-1 text-deep-sky"
        @click="start.rule ? put(at, { ...start, rule: null }) : setRule(at, start)"
      >
        {{ start.rule ? 'each of them' : 'only some of them…' }}
      </button>
    </template>
    <div v-else class="space-y-2">
      <TimeField label="At" :minute="start.minute" @change="(minute) => put(at, { ...start, minute })" />
      <DayTicks :days="start.weekdays" @change="(weekdays) => put(at, { ...start, weekdays })" />
    </div>
  </div>
  <p v-if="trigger.starts.length === 0" class="text-faded">Nothing sets it off yet. Choose what does:</p>
  <RewardFields v-if="isMaking" is-new :name="trigger.name" @make="makeReward" @cancel="isMaking = false" />
  <div v-else class="grid grid-cols-2 gap-2">
    <ChoiceField label="Add a reward" value="" :choices="rewardChoices" @change="addReward" />
    <ChoiceField label="Add something else" value="" :choices="otherChoices" @change="addOther" />
  </div>
</template>
