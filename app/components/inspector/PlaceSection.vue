<script setup lang="ts">
import type { VisiblePart } from '../../../core/score/parts/part.ts'
import { origins, type Origin } from '../../../core/composition/place.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import RangeField from '../fields/RangeField.vue'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: VisiblePart; disabled: boolean; isPlaced: boolean }>()
const edit = usePartEdit(() => props.part, 'one')

const originNames: Record<Origin, string> = {
  topLeft: 'its top left',
  top: 'its top',
  topRight: 'its top right',
  left: 'its left',
  centre: 'its middle',
  right: 'its right',
  bottomLeft: 'its bottom left',
  bottom: 'its bottom',
  bottomRight: 'its bottom right',
}
const originChoices = origins.map((value) => ({ value, label: originNames[value] }))
</script>

<template>
  <InspectorSection title="Place">
    <template v-if="isPlaced">
      <FieldRow label="Position">
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            label="Position from the left"
            :value="part.place.xPx"
            unit="x"
            :min="-8000"
            :max="16000"
            :disabled="disabled"
            @change="(xPx) => edit('position', (draft) => void (draft.place.xPx = xPx))"
          />
          <NumberField
            label="Position from the top"
            :value="part.place.yPx"
            unit="y"
            :min="-8000"
            :max="16000"
            :disabled="disabled"
            @change="(yPx) => edit('position', (draft) => void (draft.place.yPx = yPx))"
          />
        </div>
      </FieldRow>
      <FieldRow label="Turned" path="rotationDeg"
        ><NumberField
          label="Turned"
          :value="part.rotationDeg"
          unit="°"
          :min="-3600"
          :max="3600"
          :step="1"
          :decimals="1"
          :disabled="disabled"
          @change="(rotationDeg) => edit('turned', (draft) => void (draft.rotationDeg = rotationDeg))"
      /></FieldRow>
      <FieldRow label="Held by">
        <ChoiceField
          label="Held by"
          :value="part.place.origin"
          :choices="originChoices"
          :disabled="disabled"
          @change="(origin) => edit('origin', (draft) => void (draft.place.origin = origin))"
        />
      </FieldRow>
    </template>
    <FieldRow label="Opacity" path="opacity">
      <RangeField
        label="Opacity"
        :value="part.opacity"
        :shown="`${Math.round(part.opacity * 100)} %`"
        :min="0"
        :max="1"
        :step="0.01"
        :disabled="disabled"
        @change="(opacity) => edit('opacity', (draft) => void (draft.opacity = opacity))"
      />
    </FieldRow>
  </InspectorSection>
</template>
