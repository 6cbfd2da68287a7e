<script setup lang="ts">
import { Diamond, X } from '@lucide/vue'
import { computed } from 'vue'
import { removeKeyframe, setKeyframe } from '../../../core/edit/setKeyframe.ts'
import { easingNames } from '../../../core/motion/easingSpec.ts'
import { keyedProperties, type KeyedProperty } from '../../../core/motion/keyframes.ts'
import { trackValueAt } from '../../../core/motion/trackValueAt.ts'
import type { VisiblePart } from '../../../core/score/parts/part.ts'
import { seconds } from '../../format/time.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import { easingWords } from './easingWords.ts'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

/** Keyframes at the playhead: a value set here is reached at this moment of the clip. */
const props = defineProps<{ part: VisiblePart; startMs: number; tMs: number; disabled: boolean }>()
const emit = defineEmits<{ seek: [tMs: number] }>()
const edit = usePartEdit(() => props.part, 'one')

const shown: Record<
  KeyedProperty,
  { label: string; unit: string; neutral: number; scale: number; step: number; isColour?: boolean }
> = {
  offsetX: { label: 'Right by', unit: 'px', neutral: 0, scale: 1, step: 5 },
  offsetY: { label: 'Down by', unit: 'px', neutral: 0, scale: 1, step: 5 },
  scale: { label: 'Scale', unit: '%', neutral: 1, scale: 100, step: 5 },
  rotationDeg: { label: 'Turned by', unit: '°', neutral: 0, scale: 1, step: 5 },
  opacity: { label: 'Opacity', unit: '%', neutral: 1, scale: 100, step: 5 },
  hueDeg: { label: 'Hue by', unit: '°', neutral: 0, scale: 1, step: 10, isColour: true },
  saturation: { label: 'Saturation', unit: '%', neutral: 1, scale: 100, step: 10, isColour: true },
  brightness: { label: 'Brightness', unit: '%', neutral: 1, scale: 100, step: 10, isColour: true },
}
const atMs = computed(() => Math.max(0, Math.round(props.tMs - props.startMs)))
const properties = computed(() =>
  keyedProperties.filter((property) => props.part.kind === 'picture' || !shown[property].isColour),
)
const framesOf = (property: KeyedProperty) =>
  props.part.keyframes.find((track) => track.property === property)?.frames ?? []
const valueOf = (property: KeyedProperty) =>
  framesOf(property).length > 0 ? trackValueAt(framesOf(property), atMs.value) : shown[property].neutral
const frameHere = (property: KeyedProperty) =>
  framesOf(property).find((frame) => Math.abs(frame.atMs - atMs.value) < 8) ?? null
const count = computed(() => props.part.keyframes.reduce((sum, track) => sum + track.frames.length, 0))
const easingChoices = easingNames.map((value) => ({ value: value as string, label: easingWords[value] }))

function set(property: KeyedProperty, value: number): void {
  edit(`keyframe ${shown[property].label}`, (draft) => setKeyframe(draft, property, atMs.value, value))
}
function toggle(property: KeyedProperty): void {
  if (frameHere(property)) edit('remove keyframe', (draft) => removeKeyframe(draft, property, atMs.value))
  else set(property, valueOf(property))
}
function ease(property: KeyedProperty, name: string): void {
  const easing = easingNames.find((each) => each === name)
  edit('easing of a keyframe', (draft) => {
    const frame = draft.keyframes
      .find((track) => track.property === property)
      ?.frames.find((each) => Math.abs(each.atMs - atMs.value) < 8)
    if (frame && easing) frame.easing = easing
  })
}
</script>

<template>
  <InspectorSection title="Keyframes" :is-folded="count === 0" :note="count === 0 ? 'none' : String(count)">
    <p class="text-faded">At {{ seconds(tMs) }} s. Set a value at two moments, and the part moves between them.</p>
    <template v-for="property in properties" :key="property">
      <FieldRow :label="shown[property].label">
        <div class="grid grid-cols-[1.5rem_minmax(0,1fr)] items-center gap-1">
          <button
            type="button"
            class="grid size-6 place-items-center rounded-sm hover:bg-rule/60"
            :disabled="disabled"
            :aria-pressed="frameHere(property) !== null"
            :aria-label="`Keyframe of ${shown[property].label} at the playhead`"
            @click="toggle(property)"
          >
            <Diamond
              :size="13"
              :fill="frameHere(property) ? 'currentColor' : 'none'"
              :class="framesOf(property).length > 0 ? 'text-brick' : 'text-faded'"
              aria-hidden="true"
            />
          </button>
          <NumberField
            :label="shown[property].label"
            :value="valueOf(property) * shown[property].scale"
            :unit="shown[property].unit"
            :min="-16000"
            :max="16000"
            :step="shown[property].step"
            :disabled="disabled"
            @change="(value) => set(property, value / shown[property].scale)"
          />
        </div>
      </FieldRow>
      <FieldRow v-if="frameHere(property) && framesOf(property).length > 1" label=""
        ><ChoiceField
          :label="`Easing to this keyframe of ${shown[property].label}`"
          :value="String(frameHere(property)?.easing)"
          :choices="easingChoices"
          :disabled="disabled"
          @change="(name) => ease(property, name)"
      /></FieldRow>
      <p v-if="framesOf(property).length > 0" class="flex flex-wrap gap-1 pl-24">
        <button
          v-for="frame in framesOf(property)"
          :key="frame.atMs"
          type="button"
          class="rounded-xs bg-rule/60 px-1 font-mono text-2xs"
          :title="`Go to ${seconds(startMs + frame.atMs)} s`"
          @click="emit('seek', startMs + frame.atMs)"
        >
          {{ seconds(startMs + frame.atMs) }}
        </button>
        <button
          v-if="!disabled"
          type="button"
          class="rounded-xs px-1 hover:bg-rule/60"
          :aria-label="`Remove all keyframes of ${shown[property].label}`"
          @click="
            edit(
              'remove keyframes',
              (draft) => void (draft.keyframes = draft.keyframes.filter((track) => track.property !== property)),
            )
          "
        >
          <X :size="12" aria-hidden="true" />
        </button>
      </p>
    </template>
  </InspectorSection>
</template>
