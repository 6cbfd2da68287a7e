<script setup lang="ts">
import { computed } from 'vue'
import type { Zone } from '../../../core/composition/zone.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { particlePresets, presetNames, type PresetName } from '../../../core/score/parts/particles/presets.ts'
import { emitters } from '../../../core/score/parts/particles/schema.ts'
import { copyOf } from '../../../core/copyOf.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import RangeField from '../fields/RangeField.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import SpriteList from './SpriteList.vue'
import { usePartEdit } from './usePartEdit.ts'

type Particles = PartOf<'particles'>
const props = defineProps<{ part: Particles; look: Look; zones: readonly Zone[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part)

const areaValue = computed(() =>
  props.part.area.of === 'zone' ? `zone:${props.part.area.zoneId}` : props.part.area.of,
)
const areaChoices = computed<Choice<string>[]>(() => [
  { value: 'canvas', label: 'the whole canvas' },
  { value: 'own', label: 'a box of its own' },
  ...props.zones.map((zone) => ({ value: `zone:${zone.id}`, label: `zone ${zone.name}` })),
])
const emitterWords = {
  middle: 'from its middle',
  everywhere: 'from everywhere',
  topEdge: 'from its top',
  bottomEdge: 'from its bottom',
  leftEdge: 'from its left',
  rightEdge: 'from its right',
}
const emitterChoices = emitters.map((value) => ({ value, label: emitterWords[value] }))
const presetChoices: Choice<PresetName | null>[] = [
  { value: null, label: 'as set here' },
  ...presetNames.map((value) => ({ value, label: value })),
]

function setArea(value: string): void {
  edit(
    'area',
    (draft) =>
      void (draft.area = value.startsWith('zone:')
        ? { of: 'zone', zoneId: value.slice(5) }
        : { of: value === 'own' ? 'own' : 'canvas' }),
  )
}
function set(what: string, changes: Partial<Particles>): void {
  edit(what, (draft) => void Object.assign(draft, changes))
}
const ranges = [
  { field: 'lifeMs', label: 'Lives', unit: 'ms', min: 50, max: 20_000, step: 100 },
  { field: 'speedPxPerS', label: 'Speed', unit: 'px/s', min: 0, max: 6000, step: 20 },
  { field: 'sizePx', label: 'Size', unit: 'px', min: 1, max: 1000, step: 1 },
  { field: 'spinDegPerS', label: 'Spin', unit: '°/s', min: -2000, max: 2000, step: 10 },
] as const
const numbers = [
  { field: 'directionDeg', label: 'Direction', unit: '°', min: -360, max: 360, step: 5, decimals: 0 },
  { field: 'spreadDeg', label: 'Spread', unit: '°', min: 0, max: 360, step: 5, decimals: 0 },
  { field: 'gravityPxPerS2', label: 'Gravity', unit: 'px/s²', min: -6000, max: 6000, step: 20, decimals: 0 },
  { field: 'windPxPerS', label: 'Wind', unit: 'px/s', min: -4000, max: 4000, step: 20, decimals: 0 },
  { field: 'dragPerS', label: 'Drag', unit: '/s', min: 0, max: 20, step: 0.1, decimals: 1 },
] as const
const shares = [
  { field: 'fadeInRatio', label: 'Fades in', max: 1 },
  { field: 'fadeOutRatio', label: 'Fades out', max: 1 },
  { field: 'endSizeRatio', label: 'Size at end', max: 4 },
] as const
const other = (field: (typeof ranges)[number]['field'], side: 'from' | 'to', value: number) => {
  const span = { ...props.part[field], [side]: value }
  return side === 'from'
    ? { from: value, to: Math.max(value, span.to) }
    : { from: Math.min(span.from, value), to: value }
}
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="Start from"
      ><ChoiceField
        label="Preset"
        :value="null"
        :choices="presetChoices"
        :disabled="disabled"
        @change="(preset) => preset && set('preset', copyOf(particlePresets[preset]))"
    /></FieldRow>
    <FieldRow label="Fly over"
      ><ChoiceField label="Area" :value="areaValue" :choices="areaChoices" :disabled="disabled" @change="setArea"
    /></FieldRow>
    <FieldRow label="Begin"
      ><ChoiceField
        label="Begin"
        :value="part.emitter"
        :choices="emitterChoices"
        :disabled="disabled"
        @change="(emitter) => set('emitter', { emitter })"
    /></FieldRow>
    <FieldRow label="Strength" path="strength"
      ><RangeField
        label="Strength"
        :value="part.strength"
        :shown="`${Math.round(part.strength * 100)} %`"
        :min="0.1"
        :max="3"
        :step="0.05"
        :disabled="disabled"
        @change="(strength) => set('strength', { strength })"
    /></FieldRow>
    <FieldRow label="How many" path="count">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="How many"
          :value="part.count"
          unit=""
          :min="1"
          :max="5000"
          :step="10"
          :disabled="disabled"
          @change="(count) => set('count', { count: Math.round(count) })"
        />
        <NumberField
          label="Let go over"
          :value="part.overMs / 1000"
          unit="s"
          :min="0"
          :max="60"
          :step="0.1"
          :decimals="2"
          :disabled="disabled"
          @change="(s) => set('over', { overMs: Math.round(s * 1000) })"
        />
      </div>
    </FieldRow>
    <SpriteList :part="part" :look="look" :disabled="disabled" @change="(sprites) => set('sprites', { sprites })" />
    <InspectorSection title="Flight">
      <FieldRow v-for="each in ranges" :key="each.field" :label="each.label">
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            v-for="side in ['from', 'to'] as const"
            :key="side"
            :label="`${each.label}, ${side}`"
            :value="part[each.field][side]"
            :unit="each.unit"
            :min="each.min"
            :max="each.max"
            :step="each.step"
            :disabled="disabled"
            @change="(value) => set(each.label, { [each.field]: other(each.field, side, value) })"
          />
        </div>
      </FieldRow>
      <FieldRow v-for="each in numbers" :key="each.field" :label="each.label"
        ><NumberField
          :label="each.label"
          :value="part[each.field]"
          :unit="each.unit"
          :min="each.min"
          :max="each.max"
          :step="each.step"
          :decimals="each.decimals"
          :disabled="disabled"
          @change="(value) => set(each.label, { [each.field]: value })"
      /></FieldRow>
      <FieldRow v-for="each in shares" :key="each.field" :label="each.label"
        ><RangeField
          :label="each.label"
          :value="part[each.field]"
          :shown="`${Math.round(part[each.field] * 100)} %`"
          :min="0"
          :max="each.max"
          :step="0.05"
          :disabled="disabled"
          @change="(value) => set(each.label, { [each.field]: value })"
      /></FieldRow>
      <CheckRow
        label="Seed"
        words="the same flight every time"
        :checked="part.seed !== null"
        :disabled="disabled"
        @change="(isFixed) => set('seed', { seed: isFixed ? 7 : null })"
      />
      <FieldRow v-if="part.seed !== null" label=""
        ><NumberField
          label="Seed"
          :value="part.seed"
          unit=""
          :min="0"
          :max="4294967295"
          :disabled="disabled"
          @change="(seed) => set('seed', { seed: Math.round(seed) })"
      /></FieldRow>
    </InspectorSection>
  </div>
</template>
