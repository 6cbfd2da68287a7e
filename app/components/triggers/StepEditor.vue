<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { kindNames } from '../../../core/events/kindNames.ts'
import { mainKind } from '../../../core/composition/box.ts'
import type { Step } from '../../../core/sheet/schema.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import MediaField from '../library/MediaField.vue'

/** One step of a run sheet: what it does, for how long, and when it begins. */
const props = defineProps<{
  step: Exclude<Step, { do: 'wait' }>
  delayMs: number
  triggerId: string
  /** Others that it could begin with or after, by their places. */
  others: { value: string; label: string }[]
}>()
const emit = defineEmits<{
  change: [step: Step]
  delay: [ms: number]
  move: [how: 'with' | 'after', path: string]
  remove: []
}>()
const boxes = useBoxesStore()
const live = useLiveStore()
const triggers = useTriggersStore()

/** Every case of every alert of every box. */
const caseChoices = computed(() =>
  (boxes.boxes ?? []).flatMap(({ id: boxId, name, document }) =>
    document.alerts.flatMap((alert) => [
      {
        value: `${boxId} ${alert.id} `,
        label: `${kindNames[mainKind(alert)]}: whichever applies${boxes.boxes?.length === 1 ? '' : ` (${name})`}`,
      },
      ...alert.variations.map(({ id, name: caseName }) => ({
        value: `${boxId} ${alert.id} ${id}`,
        label: `${caseName} · ${kindNames[mainKind(alert)]}${boxes.boxes?.length === 1 ? '' : ` (${name})`}`,
      })),
    ]),
  ),
)
const boxChoices = computed(() => (boxes.boxes ?? []).map(({ id, name }) => ({ value: id, label: name })))
const studio = computed(() => live.live?.calls.studio)
const listed = (names: readonly string[], chosen: string) =>
  [...new Set([...names, chosen])].map((value) => ({
    value,
    label: names.includes(value) ? value : `${value} (not in the studio now)`,
  }))
const triggerChoices = computed(() =>
  (triggers.view?.triggers ?? [])
    .filter(({ trigger }) => trigger.id !== props.triggerId)
    .map(({ trigger }) => ({ value: trigger.id, label: trigger.name })),
)
function setCase(value: string): void {
  const [boxId = '', alertId = '', variationId = ''] = value.split(' ')
  if (props.step.do === 'play') emit('change', { ...props.step, boxId, alertId, variationId: variationId || null })
}
const besideChoices = [
  { value: 'line', label: 'in its turn, in the box’s line' },
  { value: 'beside', label: 'at once, its sound beside what plays' },
] as const
const showChoices = [
  { value: 'shown', label: 'show it' },
  { value: 'hidden', label: 'hide it' },
  { value: 'other', label: 'switch it over' },
] as const
const places = computed(() => [
  { value: '', label: 'where it is' },
  ...props.others.flatMap(({ value, label }) => [
    { value: `with ${value}`, label: `together with ${label}` },
    { value: `after ${value}`, label: `after ${label}` },
  ]),
])
function move(value: string): void {
  const [how, path = ''] = value.split(' ')
  if (how === 'with' || how === 'after') emit('move', how, path)
}
</script>

<template>
  <div class="on-paper space-y-2 rounded-sm p-3" role="group" aria-label="Step">
    <template v-if="step.do === 'play'">
      <ChoiceField
        label="Which alert"
        :value="`${step.boxId} ${step.alertId} ${step.variationId ?? ''}`"
        :choices="caseChoices"
        @change="setCase"
      />
      <ChoiceField
        label="How it is played"
        :value="step.isBeside ? 'beside' : 'line'"
        :choices="besideChoices"
        @change="(how) => step.do === 'play' && emit('change', { ...step, isBeside: how === 'beside' })"
      />
    </template>
    <template v-else-if="step.do === 'sound'">
      <MediaField
        label="Sound"
        kind="sound"
        :media-id="step.mediaId"
        @change="(mediaId) => mediaId && step.do === 'sound' && emit('change', { ...step, mediaId })"
      />
      <div class="grid grid-cols-2 gap-2">
        <ChoiceField
          label="Heard in which box"
          :value="step.boxId"
          :choices="boxChoices"
          @change="(boxId) => step.do === 'sound' && emit('change', { ...step, boxId })"
        />
        <NumberField
          label="Louder or softer"
          unit="dB"
          :value="step.trimDb"
          :min="-60"
          :max="12"
          @change="(trimDb) => step.do === 'sound' && emit('change', { ...step, trimDb })"
        />
      </div>
      <p class="text-faded">Levelled like every sound of the box.</p>
    </template>
    <template v-else-if="step.do === 'say'">
      <TypedField
        class="field"
        aria-label="What is said"
        maxlength="400"
        :value="step.words"
        @change="(words) => words !== '' && emit('change', { do: 'say', words })"
      />
      <p class="text-faded">
        Knows <code>{name}</code>, <code>{reward}</code>, <code>{cost}</code>, <code>{input}</code>,
        <code>{points}</code> of the viewer, what the event carries, and what is counted.
      </p>
    </template>
    <ChoiceField
      v-else-if="step.do === 'scene'"
      label="Which scene"
      :value="step.scene"
      :choices="listed(studio?.scenes ?? [], step.scene)"
      @change="(scene) => step.do === 'scene' && emit('change', { ...step, scene })"
    />
    <template v-else-if="step.do === 'source' || step.do === 'text'">
      <ChoiceField
        label="Which source"
        :value="step.source"
        :choices="
          listed(
            (studio?.sources ?? []).map(({ name }) => name),
            step.source,
          )
        "
        @change="(source) => (step.do === 'source' || step.do === 'text') && emit('change', { ...step, source })"
      />
      <ChoiceField
        v-if="step.do === 'source'"
        label="What happens to it"
        :value="step.shows"
        :choices="showChoices"
        @change="(shows) => step.do === 'source' && emit('change', { ...step, shows })"
      />
      <TypedField
        v-else
        class="field"
        aria-label="What is written there"
        maxlength="400"
        :value="step.words"
        @change="(words) => step.do === 'text' && words !== '' && emit('change', { ...step, words })"
      />
    </template>
    <div v-else-if="step.do === 'counter'" class="grid grid-cols-2 gap-2">
      <TypedField
        class="field"
        aria-label="What is counted"
        :value="step.counter"
        @change="(counter) => step.do === 'counter' && counter !== '' && emit('change', { ...step, counter })"
      />
      <NumberField
        label="By how much"
        :value="step.change"
        :min="-1_000_000"
        :max="1_000_000"
        @change="(change) => step.do === 'counter' && emit('change', { ...step, change })"
      />
    </div>
    <div v-else-if="step.do === 'points'" class="grid grid-cols-2 gap-2">
      <NumberField
        label="How many points, less than 0 takes them"
        :value="step.change"
        :min="-1_000_000"
        :max="1_000_000"
        @change="(change) => step.do === 'points' && emit('change', { ...step, change })"
      />
      <TypedField
        class="field"
        aria-label="Why, as it stands in the ledger"
        :value="step.why"
        @change="(why) => step.do === 'points' && why !== '' && emit('change', { ...step, why })"
      />
    </div>
    <template v-else-if="step.do === 'webhook'">
      <TypedField
        class="field"
        type="url"
        aria-label="Address of the other program"
        :value="step.url"
        @change="(url) => /^https?:\/\/./.test(url) && emit('change', { do: 'webhook', url })"
      />
      <p class="text-faded">Signed after the Standard Webhooks specification, and tried again where nobody answers.</p>
    </template>
    <ChoiceField
      v-else-if="step.do === 'sheet'"
      label="Whose run sheet"
      :value="step.triggerId"
      :choices="triggerChoices"
      @change="(triggerId) => emit('change', { do: 'sheet', triggerId })"
    />
    <div v-if="step.do === 'scene' || step.do === 'source'" class="flex items-center gap-2">
      <TickBox
        :checked="step.forMs !== null"
        @change="
          (step.do === 'scene' || step.do === 'source') &&
          emit('change', { ...step, forMs: step.forMs === null ? 8000 : null })
        "
        >for a time, then back</TickBox
      >
      <span v-if="step.forMs !== null" class="w-24"
        ><NumberField
          label="For how long"
          unit="s"
          :value="step.forMs / 1000"
          :min="0.1"
          :max="600"
          :decimals="1"
          @change="
            (s) =>
              (step.do === 'scene' || step.do === 'source') && emit('change', { ...step, forMs: Math.round(s * 1000) })
          "
      /></span>
    </div>
    <div class="grid grid-cols-[minmax(0,1fr)_6.5rem_2rem] items-end gap-2 border-t border-rule pt-2">
      <label class="block min-w-0"
        >Begins<ChoiceField label="Begins" value="" :choices="places" @change="move"
      /></label>
      <label class="block"
        >later by<NumberField
          label="Later by"
          unit="s"
          :value="delayMs / 1000"
          :min="0"
          :max="600"
          :decimals="2"
          :step="0.1"
          @change="(s) => emit('delay', Math.round(s * 1000))"
      /></label>
      <button
        type="button"
        class="field grid place-items-center p-0!"
        aria-label="Take this step out"
        title="Take this step out"
        @click="emit('remove')"
      >
        <Trash2 :size="15" aria-hidden="true" />
      </button>
    </div>
  </div>
</template>
