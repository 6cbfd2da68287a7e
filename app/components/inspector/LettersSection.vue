<script setup lang="ts">
import {
  letterMotionNames,
  letterOrders,
  letterUnits,
  type LetterMotion,
  type LetterMotionName,
} from '../../../core/motion/letters.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import RangeField from '../fields/RangeField.vue'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'line' | 'message'>; disabled: boolean }>()
const edit = usePartEdit<'line' | 'message'>(() => props.part)

const words: Record<LetterMotionName, string> = {
  typed: 'typed, one by one',
  rise: 'rise, one by one',
  tumble: 'tumble in',
  bloom: 'bloom',
  ripple: 'ripple all along',
  sway: 'sway all along',
  beat: 'beat all along',
  jolt: 'jolt all along',
  glint: 'glint all along',
}
const choices: Choice<LetterMotionName | null>[] = [
  { value: null, label: 'as one' },
  ...letterMotionNames.map((value) => ({ value, label: words[value] })),
]
const unitChoices = letterUnits.map((value) => ({ value, label: `${value}s` }))
const orderWords = { start: 'from the first', end: 'from the last', centre: 'from the middle', scattered: 'scattered' }
const orderChoices = letterOrders.map((value) => ({ value, label: orderWords[value] }))
/** How each motion starts out. */
const timings: Record<LetterMotionName, Pick<LetterMotion, 'staggerMs' | 'ms'>> = {
  typed: { staggerMs: 60, ms: 40 },
  rise: { staggerMs: 35, ms: 380 },
  tumble: { staggerMs: 45, ms: 600 },
  bloom: { staggerMs: 40, ms: 500 },
  ripple: { staggerMs: 90, ms: 1300 },
  sway: { staggerMs: 70, ms: 1400 },
  beat: { staggerMs: 60, ms: 700 },
  jolt: { staggerMs: 0, ms: 600 },
  glint: { staggerMs: 80, ms: 1100 },
}

function choose(motion: LetterMotionName | null): void {
  edit(
    'letters',
    (draft) =>
      void (draft.letters = motion && {
        unit: draft.letters?.unit ?? 'letter',
        order: draft.letters?.order ?? 'start',
        strength: draft.letters?.strength ?? 1,
        ...timings[motion],
        motion,
      }),
  )
}
function set(changes: Partial<LetterMotion>): void {
  edit(`letters ${Object.keys(changes)[0]}`, (draft) => void (draft.letters && Object.assign(draft.letters, changes)))
}
</script>

<template>
  <InspectorSection
    title="Letters"
    :is-folded="part.letters === null"
    :note="part.letters ? words[part.letters.motion] : 'as one'"
  >
    <FieldRow label="Move"
      ><ChoiceField
        label="Letters move"
        :value="part.letters?.motion ?? null"
        :choices="choices"
        :disabled="disabled"
        @change="choose"
    /></FieldRow>
    <template v-if="part.letters">
      <FieldRow label="One by one">
        <div class="grid grid-cols-2 gap-2">
          <ChoiceField
            label="What moves"
            :value="part.letters.unit"
            :choices="unitChoices"
            :disabled="disabled"
            @change="(unit) => set({ unit })"
          />
          <ChoiceField
            label="Order"
            :value="part.letters.order"
            :choices="orderChoices"
            :disabled="disabled"
            @change="(order) => set({ order })"
          />
        </div>
      </FieldRow>
      <FieldRow label="Pace">
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            label="From one to the next"
            :value="part.letters.staggerMs"
            unit="ms"
            :min="0"
            :max="2000"
            :step="5"
            :disabled="disabled"
            @change="(staggerMs) => set({ staggerMs })"
          />
          <NumberField
            label="How long each takes"
            :value="part.letters.ms"
            unit="ms"
            :min="20"
            :max="10000"
            :step="20"
            :disabled="disabled"
            @change="(ms) => set({ ms })"
          />
        </div>
      </FieldRow>
      <FieldRow label="Strength" path="letters.strength"
        ><RangeField
          label="Strength"
          :value="part.letters.strength"
          :shown="`${Math.round(part.letters.strength * 100)} %`"
          :min="0"
          :max="3"
          :step="0.05"
          :disabled="disabled"
          @change="(strength) => set({ strength })"
      /></FieldRow>
    </template>
  </InspectorSection>
</template>
