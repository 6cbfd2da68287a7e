<script setup lang="ts">
import { Switch } from '@headlessui/vue'
import { computed, ref } from 'vue'
import { chosenBy, mainKind, playedBy } from '../../../core/composition/box.ts'
import type { LengthRule } from '../../../core/composition/clip.ts'
import { setAlertOn } from '../../../core/edit/setAlertOn.ts'
import { setRules } from '../../../core/edit/variationEdits.ts'
import { movedBoundary } from '../../../core/rules/moveBoundary.ts'
import { setScoreLength } from '../../../core/edit/setScoreLength.ts'
import { sampleNames, type SampleName } from '../../../core/events/sampleEvent.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { proofSamples } from '../../../core/proof/proofCases.ts'
import { sampleWords } from '../../format/sampleWords.ts'
import { seconds } from '../../format/time.ts'
import { isDrawn } from '../../../core/rules/isDrawn.ts'
import { useCoverageStore } from '../../stores/coverage.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import ApplyDialog from '../apply/ApplyDialog.vue'
import OwnSample from './OwnSample.vue'
import CoverageAxis from './CoverageAxis.vue'
import UndrawnCases from './UndrawnCases.vue'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'

const view = useRoomViewStore()
const isApplying = ref(false)
const covered = useCoverageStore()
const drawn = computed(() => (covered.coverage && isDrawn(covered.coverage) ? covered.coverage : null))
/** Cases that are never chosen by an event. */
const unchosen = computed(() =>
  [
    { by: 'sheets', words: 'Played by run sheets:' },
    { by: 'several', words: 'For several at once:' },
  ].flatMap(({ by, words }) => {
    const cases = (room.alert?.variations ?? []).filter((each) => playedBy(each) === by)
    return cases.length > 0 ? [{ words, cases }] : []
  }),
)
const hidden = computed(() =>
  (room.alert?.variations ?? []).filter(
    ({ id }) => covered.coverage?.variations.find((each) => each.id === id)?.state === 'unreachable',
  ),
)
const props = defineProps<{ canEdit: boolean; lengthMs: number }>()
const draft = useDraftStore()
const room = useScoreRoomStore()

const often: readonly SampleName[] = ['everyday', 'longest', 'emoji', 'rightToLeft', 'markup']
/** There is room for the five that are looked at most, and for what was come here with. */
const samples = computed(() =>
  [...new Set([...often, room.viewer])].map((name) => ({ name, label: sampleWords[name] })),
)
function takeReady(name: SampleName): void {
  room.viewer = name
  room.own = null
}
const rule = computed(() => room.composition?.length ?? null)
const ruleChoices = [
  { value: 'fixed', label: 'lasts' },
  { value: 'fit', label: 'as long as needed' },
] as const

function setOn(isOn: boolean): void {
  if (room.alert) draft.edit(setAlertOn(room.alert.id, isOn))
}
function setLength(next: LengthRule): void {
  if (room.address) draft.edit(setScoreLength(room.address, next))
}
/** The other rule, with what this one says about how long. */
function setRule(kind: 'fixed' | 'fit'): void {
  const now = rule.value
  if (!now || now.rule === kind) return
  setLength(
    now.rule === 'fixed'
      ? { rule: 'fit', minMs: Math.min(now.ms, 4000), maxMs: Math.max(now.ms, 12_000) }
      : { rule: 'fixed', ms: props.lengthMs || now.maxMs },
  )
}
function moveBoundary(field: string, from: number, to: number): void {
  if (room.alert) draft.edit(setRules(room.alert.id, movedBoundary(room.alert.variations, field, from, to)))
}
const kindChoices = computed(() => (room.alert?.kinds ?? []).map((value) => ({ value, label: kindNames[value] })))
const pickChoices = computed(() => [
  { value: '', label: 'nothing chosen' },
  ...(room.alert?.offer?.options ?? []).map(({ id, label }) => ({ value: id, label })),
])
const ms = (s: number) => Math.round(s * 1000)
/** With more to choose than a name, the words beside it are few. */
const hasMore = computed(() => kindChoices.value.length > 1 || room.alert?.offer != null)
const isTight = computed(() => hasMore.value || rule.value?.rule === 'fit')
/** With both, names are chosen from a list: the row has no room for five. */
const isFull = computed(() => hasMore.value && rule.value?.rule === 'fit')
const nameChoices = proofSamples.map((value) => ({
  value,
  label: often.includes(value) ? `${sampleWords[value]} name` : sampleWords[value],
}))
</script>

<template>
  <section v-if="room.alert && room.variation" class="on-paper border-b border-rule px-4 py-2" aria-label="Case">
    <div class="flex items-center" :class="isTight ? 'gap-4' : 'gap-8'">
      <div class="w-44 shrink-0">
        <h1 class="font-display text-lg leading-tight font-semibold">{{ kindNames[mainKind(room.alert)] }}</h1>
        <button
          type="button"
          class="link max-w-full truncate text-left text-deep-sky"
          :aria-expanded="view.panel === 'cases'"
          @click="view.toggle('cases')"
        >
          {{
            room.alert.variations.length > 1
              ? `${room.variation.name}, one of ${room.alert.variations.length} cases`
              : `${room.variation.name}: plays for each one`
          }}
        </button>
      </div>
      <div class="flex items-center gap-2">
        <Switch
          :model-value="room.alert.isOn"
          :disabled="!canEdit"
          class="relative h-5 w-9 rounded-full transition-colors disabled:opacity-60"
          :class="room.alert.isOn ? 'bg-moss' : 'bg-faded'"
          :aria-label="`Alert for ${kindNames[mainKind(room.alert)]}`"
          @update:model-value="setOn"
        >
          <span
            class="absolute top-0.5 left-0.5 size-4 rounded-full bg-white transition-transform"
            :class="room.alert.isOn ? 'translate-x-4' : ''"
          />
        </Switch>
        <span class="w-8">{{ room.alert.isOn ? 'on' : 'off' }}</span>
      </div>
      <button v-if="canEdit" type="button" class="link whitespace-nowrap text-deep-sky" @click="isApplying = true">
        Apply to…
      </button>
      <ApplyDialog v-model:open="isApplying" />
      <div v-if="rule" class="flex items-center gap-2">
        <span class="w-38"
          ><ChoiceField
            label="How long the alert is"
            :value="rule.rule"
            :choices="ruleChoices"
            :disabled="!canEdit"
            @change="setRule"
        /></span>
        <span v-if="rule.rule === 'fixed'" class="w-24"
          ><NumberField
            label="Duration"
            :value="rule.ms / 1000"
            unit="s"
            :step="0.1"
            :min="0.5"
            :max="60"
            :decimals="2"
            :disabled="!canEdit"
            @change="(s) => setLength({ rule: 'fixed', ms: ms(s) })"
        /></span>
        <template v-else>
          <span class="w-20"
            ><NumberField
              label="At least"
              :value="rule.minMs / 1000"
              unit="min"
              :step="0.1"
              :min="0"
              :max="rule.maxMs / 1000"
              :decimals="1"
              :disabled="!canEdit"
              @change="(s) => rule?.rule === 'fit' && setLength({ ...rule, minMs: ms(s) })"
          /></span>
          <span class="w-22"
            ><NumberField
              label="At most"
              :value="rule.maxMs / 1000"
              unit="max"
              :step="0.1"
              :min="Math.max(0.5, rule.minMs / 1000)"
              :max="60"
              :decimals="1"
              :disabled="!canEdit"
              @change="(s) => rule?.rule === 'fit' && setLength({ ...rule, maxMs: ms(s) })"
          /></span>
          <span class="whitespace-nowrap text-faded">now {{ seconds(lengthMs) }} s</span>
        </template>
      </div>
      <span v-if="kindChoices.length > 1" class="ml-auto w-36"
        ><ChoiceField label="Shown for" :value="room.kind" :choices="kindChoices" @change="room.sampleKind = $event"
      /></span>
      <span v-if="room.alert.offer" class="w-36" :class="kindChoices.length > 1 ? '' : 'ml-auto'"
        ><ChoiceField
          label="Shown as if the viewer chose"
          :value="room.choice ?? ''"
          :choices="pickChoices"
          @change="room.choice = $event || null"
      /></span>
      <span v-if="isFull" class="w-38"
        ><ChoiceField label="Shown with a name that is" :value="room.viewer" :choices="nameChoices" @change="takeReady"
      /></span>
      <fieldset
        v-else
        class="flex items-center gap-1.5"
        :class="kindChoices.length > 1 || room.alert.offer ? '' : 'ml-auto'"
      >
        <legend class="float-left mr-2 text-faded">{{ isTight ? 'Name' : 'Shown with' }}</legend>
        <button
          v-for="sample in samples"
          :key="sample.name"
          type="button"
          class="rounded-sm border px-2 py-1 whitespace-nowrap"
          :class="
            room.viewer === sample.name && !room.own
              ? 'border-ink bg-sheet font-medium'
              : 'border-transparent text-deep-sky underline underline-offset-3'
          "
          :aria-pressed="room.viewer === sample.name && !room.own"
          :title="sampleNames[sample.name]"
          @click="takeReady(sample.name)"
        >
          {{ sample.label }}
        </button>
      </fieldset>
      <OwnSample class="-ml-3" />
    </div>
    <CoverageAxis
      v-if="drawn && chosenBy(room.alert).length > 1"
      class="mt-1.5"
      :alert="room.alert"
      :coverage="drawn"
      :chosen-id="room.variation.id"
      :can-edit="canEdit"
      @choose="room.variationId = $event"
      @move="moveBoundary"
    />
    <UndrawnCases
      v-else-if="covered.coverage && chosenBy(room.alert).length > 1"
      class="mt-1.5"
      :alert="room.alert"
      :coverage="covered.coverage"
      :chosen-id="room.variation.id"
      @choose="room.variationId = $event"
    />
    <p v-for="row in unchosen" :key="row.words" class="mt-1 flex flex-wrap gap-x-3">
      <span class="text-faded">{{ row.words }}</span>
      <button
        v-for="each in row.cases"
        :key="each.id"
        type="button"
        class="link"
        :class="each.id === room.variation.id ? 'font-semibold text-ink' : 'text-deep-sky'"
        :aria-pressed="each.id === room.variation.id"
        @click="room.variationId = each.id"
      >
        {{ each.name }}
      </button>
    </p>
    <p v-if="covered.isSlow" class="text-faded" role="status">Working out which case plays where…</p>
    <p v-if="hidden.length > 0" class="text-brick" role="status">
      {{ hidden.map((each) => `“${each.name}”`).join(' and ') }}
      {{ hidden.length === 1 ? 'never plays' : 'never play' }}: another case comes first.
      <button type="button" class="link text-deep-sky" @click="view.panel = 'cases'">Look at the cases</button>
    </p>
  </section>
</template>
