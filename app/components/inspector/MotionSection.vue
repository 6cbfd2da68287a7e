<script setup lang="ts">
import { easingNames } from '../../../core/motion/easingSpec.ts'
import { motionNames, type MotionName } from '../../../core/motion/schema.ts'
import type { VisiblePart } from '../../../core/parts/part.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import InspectorSection from './InspectorSection.vue'
import { easingWords } from './easingWords.ts'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: VisiblePart; disabled: boolean }>()
const edit = usePartEdit(() => props.part)

const words: Record<MotionName, string> = {
  none: 'at once', fade: 'fade', rise: 'rise', sink: 'sink', fromLeft: 'a little from the left', fromRight: 'a little from the right', slideLeft: 'over the left edge', slideRight: 'over the right edge', slideTop: 'over the top edge',
  slideBottom: 'over the bottom edge', zoom: 'zoom', loom: 'loom', spring: 'spring', drop: 'drop', roll: 'roll', turn: 'turn', swing: 'swing', unfold: 'unfold', wipe: 'wipe', focus: 'come into focus',
}
const choices = motionNames.map((value) => ({ value, label: words[value] }))
const easingChoices: Choice<string | null>[] = [{ value: null, label: 'its own easing' }, ...easingNames.map((value) => ({ value, label: easingWords[value] }))]
const phases = [
  { phase: 'entrance', label: 'Enters' },
  { phase: 'exit', label: 'Leaves' },
] as const
const easingOf = (phase: 'entrance' | 'exit') => {
  const { easing } = props.part.motion[phase]
  return typeof easing === 'string' ? easing : null
}
</script>

<template>
  <InspectorSection title="Motion">
    <template v-for="{ phase, label } in phases" :key="phase">
      <FieldRow :label="label">
        <div class="grid grid-cols-[minmax(0,1fr)_5rem] gap-2">
          <ChoiceField :label="label" :value="part.motion[phase].motion" :choices="choices" :disabled="disabled" @change="(motion) => edit(`${phase} motion`, (draft) => void (draft.motion[phase].motion = motion))" />
          <NumberField :label="`${label} over`" :value="part.motion[phase].ms / 1000" unit="s" :step="0.05" :min="0" :max="10" :decimals="2" :disabled="disabled" @change="(s) => edit(`${phase} time`, (draft) => void (draft.motion[phase].ms = Math.round(s * 1000)))" />
        </div>
      </FieldRow>
      <FieldRow v-if="part.motion[phase].motion !== 'none'" label="">
        <ChoiceField :label="`Easing: ${label}`" :value="easingOf(phase)" :choices="easingChoices" :disabled="disabled" @change="(easing) => edit(`${phase} easing`, (draft) => void (draft.motion[phase].easing = easingNames.find((name) => name === easing) ?? null))" />
      </FieldRow>
    </template>
  </InspectorSection>
</template>
