<script setup lang="ts">
import { computed } from 'vue'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import type { Sentence } from '../../../core/queue/policy.ts'
import { manyOf, stepWords } from '../../../core/queue/policyWords.ts'
import type { Target } from '../../../core/queue/rules/order.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { minorDigits } from '../../../core/minorDigits.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import TimeField from '../triggers/TimeField.vue'

/** Changes all that one sentence says. */
const props = defineProps<{
  sentence: Sentence
  /** Kinds that the box has an alert for, in their order. */
  shown: readonly EventKind[]
  cases: readonly { id: string; name: string }[]
  /** Scenes that the studio has told of. */
  scenes: readonly string[]
}>()
const emit = defineEmits<{ change: [sentence: Sentence] }>()
const channel = useChannel()
const unit = computed(() => 10 ** minorDigits(channel.value.currency))

/** Kinds that can be chosen: those that are shown, and what is chosen already. */
const kinds = computed<EventKind[]>(() => {
  const { sentence } = props
  const chosen: readonly EventKind[] = 'kinds' in sentence ? (sentence.kinds ?? []) : []
  return eventKinds.filter((kind) => props.shown.includes(kind) || chosen.includes(kind))
})
const toggled = (list: readonly EventKind[], kind: EventKind) =>
  list.includes(kind) ? list.filter((each) => each !== kind) : [...list, kind]

const stepChoices = [2, 1, -1, -2].map((steps) => ({ value: String(steps), label: stepWords[steps] ?? '' }))
const doesChoices = [
  { value: 'collect', label: 'it waits' },
  { value: 'letGo', label: 'it is let go' },
] as const
const whenChoices = [
  { value: 'hours', label: 'within hours of the day' },
  { value: 'scenes', label: 'while the studio shows a scene' },
  { value: 'held', label: 'while the line is held' },
] as const

const isMoney = (kind: EventKind) => ['tip', 'paidMessage', 'charityDonation', 'purchase'].includes(kind)
const perOf = (kind: EventKind) => (isMoney(kind) ? unit.value : 1)
const unitOf = (kind: EventKind) => (isMoney(kind) ? channel.value.currency : '')
const targetChoices = computed(() => [
  ...kinds.value.map((kind) => ({ value: `kind ${kind}`, label: manyOf(kind) })),
  ...props.cases.map(({ id, name }) => ({ value: `case ${id}`, label: `“${name}”` })),
])
const valueOf = (target: Target) => ('caseId' in target ? `case ${target.caseId}` : `kind ${target.kind}`)
function targetOf(value: string): Target {
  const [what, name = ''] = value.split(' ')
  return what === 'case' ? { caseId: name } : { kind: name as EventKind, from: null }
}
function setTarget(at: number, target: Target): void {
  if (props.sentence.rule === 'order') emit('change', { ...props.sentence, of: props.sentence.of.with(at, target) })
}
function setWhen(is: (typeof whenChoices)[number]['value']): void {
  if (props.sentence.rule !== 'quiet') return
  const when = {
    hours: { is: 'hours' as const, from: 180, until: 240 },
    scenes: { is: 'scenes' as const, scenes: [props.scenes[0] ?? 'Back in five'] },
    held: { is: 'held' as const },
  }[is]
  emit('change', { ...props.sentence, when })
}
function toggleScene(scene: string): void {
  if (props.sentence.rule !== 'quiet' || props.sentence.when.is !== 'scenes') return
  const { scenes } = props.sentence.when
  const next = scenes.includes(scene) ? scenes.filter((each) => each !== scene) : [...scenes, scene]
  if (next.length > 0) emit('change', { ...props.sentence, when: { is: 'scenes', scenes: next } })
}
const listedScenes = computed(() => {
  const { sentence } = props
  const chosen = sentence.rule === 'quiet' && sentence.when.is === 'scenes' ? sentence.when.scenes : []
  return [...new Set([...props.scenes, ...chosen])]
})
const s = (ms: number) => ms / 1000
const ms = (seconds: number) => Math.round(seconds * 1000)
</script>

<template>
  <div class="space-y-2">
    <NumberField
      v-if="sentence.rule === 'gap'"
      class="w-36"
      label="Seconds between two alerts"
      unit="s"
      :value="s(sentence.ms)"
      :min="0"
      :max="60"
      :step="0.1"
      :decimals="1"
      @change="(value) => sentence.rule === 'gap' && emit('change', { ...sentence, ms: ms(value) })"
    />
    <template v-else-if="sentence.rule === 'order'">
      <div v-for="(target, at) in sentence.of" :key="at" class="flex items-center gap-2">
        <span class="min-w-0 flex-1"
          ><ChoiceField
            :label="`What goes ${stepWords[sentence.steps]}, ${at + 1}`"
            :value="valueOf(target)"
            :choices="targetChoices"
            @change="(value) => setTarget(at, targetOf(value))"
        /></span>
        <template v-if="'kind' in target">
          <TickBox
            :checked="target.from !== null"
            @change="(has) => setTarget(at, { ...target, from: has ? 20 * perOf(target.kind) : null })"
            >from</TickBox
          >
          <span v-if="target.from !== null" class="w-28"
            ><NumberField
              label="From how much on"
              :unit="unitOf(target.kind)"
              :value="target.from / perOf(target.kind)"
              :min="1 / perOf(target.kind)"
              :max="1_000_000"
              :decimals="perOf(target.kind) > 1 ? 2 : 0"
              @change="(value) => setTarget(at, { ...target, from: Math.round(value * perOf(target.kind)) })"
          /></span>
        </template>
        <button
          v-if="sentence.of.length > 1"
          type="button"
          class="button px-2!"
          :aria-label="`Leave out ${at + 1}`"
          @click="emit('change', { ...sentence, of: sentence.of.toSpliced(at, 1) })"
        >
          ×
        </button>
      </div>
      <button
        v-if="sentence.of.length < 20"
        type="button"
        class="link text-deep-sky"
        @click="emit('change', { ...sentence, of: [...sentence.of, { kind: kinds[0] ?? 'tip', from: null }] })"
      >
        And another
      </button>
      <ChoiceField
        label="Where they go"
        :value="String(sentence.steps)"
        :choices="stepChoices"
        @change="(steps) => sentence.rule === 'order' && emit('change', { ...sentence, steps: Number(steps) })"
      />
    </template>
    <template v-else-if="sentence.rule === 'elastic'">
      <NumberField
        class="w-36"
        label="How many have to wait"
        unit="alerts"
        :value="sentence.waiting"
        :min="1"
        :max="10_000"
        @change="(waiting) => sentence.rule === 'elastic' && emit('change', { ...sentence, waiting })"
      />
      <TickBox
        :checked="sentence.lastMs !== null"
        @change="(has) => sentence.rule === 'elastic' && emit('change', { ...sentence, lastMs: has ? 60_000 : null })"
        >or when the last would wait so long</TickBox
      >
      <NumberField
        v-if="sentence.lastMs !== null"
        class="w-36"
        label="Seconds that the last would wait"
        unit="s"
        :value="s(sentence.lastMs)"
        :min="5"
        :max="3600"
        @change="(value) => sentence.rule === 'elastic' && emit('change', { ...sentence, lastMs: ms(value) })"
      />
    </template>
    <NumberField
      v-else-if="sentence.rule === 'airtime'"
      class="w-36"
      label="Percent of a minute"
      unit="%"
      :value="sentence.percent"
      :min="5"
      :max="100"
      @change="(percent) => sentence.rule === 'airtime' && emit('change', { ...sentence, percent })"
    />
    <NumberField
      v-else-if="sentence.rule === 'room'"
      class="w-36"
      label="How many may wait"
      unit="alerts"
      :value="sentence.atMost"
      :min="1"
      :max="100_000"
      @change="(atMost) => sentence.rule === 'room' && emit('change', { ...sentence, atMost })"
    />
    <template v-else-if="sentence.rule === 'quiet'">
      <ChoiceField label="When it is quiet" :value="sentence.when.is" :choices="whenChoices" @change="setWhen" />
      <div v-if="sentence.when.is === 'hours'" class="grid grid-cols-2 gap-2">
        <TimeField
          label="From"
          :minute="sentence.when.from"
          @change="
            (from) =>
              sentence.rule === 'quiet' &&
              sentence.when.is === 'hours' &&
              emit('change', { ...sentence, when: { ...sentence.when, from } })
          "
        />
        <TimeField
          label="Until"
          :minute="sentence.when.until"
          @change="
            (until) =>
              sentence.rule === 'quiet' &&
              sentence.when.is === 'hours' &&
              emit('change', { ...sentence, when: { ...sentence.when, until } })
          "
        />
      </div>
      <template v-else-if="sentence.when.is === 'scenes'">
        <TickBox
          v-for="scene in listedScenes"
          :key="scene"
          :checked="sentence.when.scenes.includes(scene)"
          @change="toggleScene(scene)"
          >{{ scene }}</TickBox
        >
        <TypedField
          class="field"
          value=""
          maxlength="200"
          placeholder="another scene, as the studio calls it"
          aria-label="Another scene"
          @change="(scene) => scene.trim() && toggleScene(scene.trim())"
        />
      </template>
      <ChoiceField
        label="What comes meanwhile"
        :value="sentence.does"
        :choices="doesChoices"
        @change="(does) => sentence.rule === 'quiet' && emit('change', { ...sentence, does })"
      />
    </template>
    <template v-else-if="sentence.rule !== 'gifts'">
      <fieldset class="grid grid-cols-2 gap-x-3 gap-y-1">
        <legend class="sr-only">Which kinds</legend>
        <TickBox
          v-if="sentence.rule === 'age'"
          class="col-span-2"
          :checked="sentence.kinds === null"
          @change="(all) => sentence.rule === 'age' && emit('change', { ...sentence, kinds: all ? null : ['follow'] })"
          >whatever it is</TickBox
        >
        <TickBox
          v-if="sentence.rule === 'approve'"
          class="col-span-2"
          :checked="sentence.isFlagged"
          @change="(isFlagged) => sentence.rule === 'approve' && emit('change', { ...sentence, isFlagged })"
          >what the speech desk has something against</TickBox
        >
        <template v-if="sentence.kinds !== null">
          <TickBox
            v-for="kind in kinds"
            :key="kind"
            :checked="sentence.kinds.includes(kind)"
            @change="
              () => {
                if (!('kinds' in sentence) || sentence.kinds === null) return
                const next = toggled(sentence.kinds, kind)
                if (next.length > 0 || sentence.rule === 'beside' || sentence.rule === 'approve')
                  emit('change', { ...sentence, kinds: next } as Sentence)
              }
            "
            >{{ manyOf(kind) }}</TickBox
          >
        </template>
      </fieldset>
      <label v-if="sentence.rule === 'merge'" class="block"
        >Seconds after the first within which they come<NumberField
          class="w-36"
          label="Seconds within which they come"
          unit="s"
          :value="s(sentence.withinMs)"
          :min="1"
          :max="300"
          @change="(value) => sentence.rule === 'merge' && emit('change', { ...sentence, withinMs: ms(value) })"
      /></label>
      <template v-if="sentence.rule === 'merge'">
        <TickBox
          :checked="sentence.below !== null"
          @change="
            (has) =>
              sentence.rule === 'merge' &&
              emit('change', { ...sentence, below: has ? 5 * perOf(sentence.kinds[0] ?? 'tip') : null })
          "
          >only what brings less than</TickBox
        >
        <NumberField
          v-if="sentence.below !== null"
          class="w-36"
          label="Less than"
          :unit="unitOf(sentence.kinds[0] ?? 'tip')"
          :value="sentence.below / perOf(sentence.kinds[0] ?? 'tip')"
          :min="1 / perOf(sentence.kinds[0] ?? 'tip')"
          :max="1_000_000"
          :decimals="perOf(sentence.kinds[0] ?? 'tip') > 1 ? 2 : 0"
          @change="
            (value) =>
              sentence.rule === 'merge' &&
              emit('change', { ...sentence, below: Math.round(value * perOf(sentence.kinds[0] ?? 'tip')) })
          "
        />
        <TickBox
          :checked="sentence.isEvenWritten"
          @change="(isEvenWritten) => sentence.rule === 'merge' && emit('change', { ...sentence, isEvenWritten })"
          >also where somebody wrote something, which is not shown then</TickBox
        >
      </template>
      <label v-else-if="sentence.rule === 'age'" class="block"
        >Seconds that it may wait<NumberField
          class="w-36"
          label="Seconds that it may wait"
          unit="s"
          :value="s(sentence.ms)"
          :min="5"
          :max="86_400"
          @change="(value) => sentence.rule === 'age' && emit('change', { ...sentence, ms: ms(value) })"
      /></label>
      <label v-else-if="sentence.rule === 'approve'" class="block"
        >Seconds within which somebody has to<NumberField
          class="w-36"
          label="Seconds within which somebody has to"
          unit="s"
          :value="s(sentence.withinMs)"
          :min="5"
          :max="3600"
          @change="(value) => sentence.rule === 'approve' && emit('change', { ...sentence, withinMs: ms(value) })"
      /></label>
      <label v-else class="block"
        >How many at once<NumberField
          class="w-36"
          label="How many at once"
          :value="sentence.atMost"
          :min="1"
          :max="8"
          @change="(atMost) => sentence.rule === 'beside' && emit('change', { ...sentence, atMost })"
      /></label>
    </template>
  </div>
</template>
