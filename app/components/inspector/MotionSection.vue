<script setup lang="ts">
import { motionNames, type MotionName } from '../../../core/composition/motion.ts'
import type { VisiblePart } from '../../../core/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: VisiblePart; disabled: boolean }>()
const edit = usePartEdit(() => props.part)

const words: Record<MotionName, string> = {
  none: 'at once', fade: 'fade', rise: 'rise', sink: 'sink', fromLeft: 'from / to the left', fromRight: 'from / to the right', zoom: 'zoom', spring: 'spring', drop: 'drop',
}
const choices = motionNames.map((value) => ({ value, label: words[value] }))
const phases = [
  { phase: 'entrance', label: 'Enters' },
  { phase: 'exit', label: 'Leaves' },
] as const
</script>

<template>
  <section class="space-y-2 border-t border-rule pt-3">
    <h3 class="caps text-faded">Motion</h3>
    <FieldRow v-for="{ phase, label } in phases" :key="phase" :label="label">
      <div class="grid grid-cols-[minmax(0,1fr)_5rem] gap-2">
        <ChoiceField :label="label" :value="part.motion[phase].motion" :choices="choices" :disabled="disabled" @change="(motion) => edit(`${phase} motion`, (draft) => void (draft.motion[phase].motion = motion))" />
        <NumberField :label="`${label} over`" :value="part.motion[phase].ms / 1000" unit="s" :step="0.05" :min="0" :max="10" :decimals="2" :disabled="disabled" @change="(s) => edit(`${phase} time`, (draft) => void (draft.motion[phase].ms = Math.round(s * 1000)))" />
      </div>
    </FieldRow>
  </section>
</template>
