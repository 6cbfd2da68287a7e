<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { LivePart } from '../../../core/score/parts/part.ts'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import RangeField from '../fields/RangeField.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import SizeRow from './SizeRow.vue'
import TextSection from './TextSection.vue'
import NumberRow from './NumberRow.vue'
import { usePartEdit } from './usePartEdit.ts'

/** The room of a part that is kept up to date: how large, what lies under it, and how its words are set. */
const props = defineProps<{ part: LivePart; look: Look; disabled: boolean }>()
const edit = usePartEdit<LivePart['kind']>(() => props.part)
</script>

<template>
  <InspectorSection title="Room">
    <SizeRow :part="part" label="Size" :disabled="disabled" />
    <NumberRow
      label="Inside"
      means="Room inside its edges"
      path="padPx"
      :value="part.padPx"
      unit="px"
      :min="0"
      :max="400"
      :disabled="disabled"
      @change="(padPx) => edit('room inside', (draft) => void (draft.padPx = padPx))"
    />
    <CheckRow
      label="Plate"
      words="lies under it"
      :checked="part.plate !== null"
      :disabled="disabled"
      @change="
        (isThere) =>
          edit(
            'plate',
            (draft) => void (draft.plate = isThere ? { ink: { role: 'plate' }, opacity: 0.85, radiusPx: 12 } : null),
          )
      "
    />
    <template v-if="part.plate">
      <FieldRow label="Plate in" path="plate.ink"
        ><InkField
          label="Plate in"
          :ink="part.plate.ink"
          :look="look"
          :disabled="disabled"
          @change="(ink) => edit('plate', (draft) => void (draft.plate && (draft.plate.ink = ink)))"
      /></FieldRow>
      <FieldRow label="Opacity" path="plate.opacity"
        ><RangeField
          label="Opacity of the plate"
          :value="part.plate.opacity"
          :shown="`${Math.round(part.plate.opacity * 100)} %`"
          :min="0"
          :max="1"
          :step="0.05"
          :disabled="disabled"
          @change="(opacity) => edit('plate', (draft) => void (draft.plate && (draft.plate.opacity = opacity)))"
      /></FieldRow>
      <NumberRow
        label="Corners"
        means="Corners of the plate"
        path="plate.radiusPx"
        :value="part.plate.radiusPx"
        unit="px"
        :min="0"
        :max="400"
        :disabled="disabled"
        @change="(radiusPx) => edit('corners', (draft) => void (draft.plate && (draft.plate.radiusPx = radiusPx)))"
      />
    </template>
  </InspectorSection>
  <TextSection :part="part" :look="look" :disabled="disabled" />
</template>
