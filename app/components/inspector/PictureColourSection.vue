<script setup lang="ts">
import { computed } from 'vue'
import { rgbOfHex } from '../../../core/colour/oklch.ts'
import { resolveColour, type PictureColour } from '../../../core/colour/pictureColour.ts'
import { applyTint, colourDistance, hasNoHue, noTint } from '../../../core/colour/tint.ts'
import { resolveInk } from '../../../core/look/resolveStyle.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import RangeField from '../fields/RangeField.vue'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'picture'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const media = useMediaStore()
const dominant = computed(() => media.pictureOf(props.part.mediaId)?.seen?.dominant ?? null)
const tint = computed(() => resolveColour(props.part.colour, props.look))
/** Said before it is tried: a hue can only be turned where there is one. */
const isGrey = computed(() => dominant.value !== null && hasNoHue(rgbOfHex(dominant.value)))
/** How far from the wanted colour the turn stays, in hundredths of OKLab; what the eye sees at once. */
const farFrom = 6
const isFar = computed(() => {
  const { colour } = props.part
  if (colour.mode !== 'recolour' || !tint.value) return false
  const reached = applyTint(rgbOfHex(colour.from), tint.value)
  return colourDistance(reached, rgbOfHex(resolveInk(colour.to, props.look))) > farFrom
})
const modeWords = {
  asIs: 'as it is',
  recolour: 'turned to a colour',
  wash: 'shades of a colour',
  tint: 'tinted by hand',
}
const choices = (['asIs', 'recolour', 'wash', 'tint'] as const).map((value) => ({ value, label: modeWords[value] }))

const handTint = computed(() => {
  const { hueDeg, saturation, brightness } = tint.value ?? noTint
  return { hueDeg, saturation, brightness }
})

function setMode(mode: PictureColour['mode']): void {
  const from = dominant.value
  edit('colour of the picture', (draft) => {
    if (mode === 'asIs') draft.colour = { mode }
    else if (mode === 'tint') draft.colour = { mode, ...handTint.value }
    else if (from) draft.colour = { mode, from, to: 'to' in draft.colour ? draft.colour.to : { role: 'accent' } }
  })
}
function setTint(changes: Partial<{ hueDeg: number; saturation: number; brightness: number }>): void {
  edit(
    `tint ${Object.keys(changes)[0]}`,
    (draft) => void (draft.colour.mode === 'tint' && Object.assign(draft.colour, changes)),
  )
}
</script>

<template>
  <InspectorSection title="Colours" :note="modeWords[part.colour.mode]" :is-folded="part.colour.mode === 'asIs'">
    <FieldRow label="Colours"
      ><ChoiceField
        label="Colours of the picture"
        :value="part.colour.mode"
        :choices="choices"
        :disabled="disabled || part.mediaId === null"
        @change="setMode"
    /></FieldRow>
    <p v-if="(isGrey && part.colour.mode !== 'wash') || isFar" class="text-faded">
      {{
        isGrey
          ? 'This picture is grey, white or black: turned, it stays so.'
          : 'This is as near as turning its own colour comes.'
      }}
      <button
        type="button"
        class="underline decoration-dotted underline-offset-2"
        :disabled="disabled"
        @click="setMode('wash')"
      >
        Show it in shades of one colour
      </button>
    </p>
    <template v-if="part.colour.mode === 'recolour' || part.colour.mode === 'wash'">
      <FieldRow label="Wanted" path="colour"
        ><InkField
          label="Wanted colour"
          :ink="part.colour.to"
          :look="look"
          :disabled="disabled"
          @change="(to) => edit('wanted colour', (draft) => void ('to' in draft.colour && (draft.colour.to = to)))"
      /></FieldRow>
      <p class="flex items-center gap-2 text-faded">
        <span class="size-4 shrink-0 rounded-full border border-rule" :style="{ background: part.colour.from }" />its
        own colour, measured<template v-if="part.colour.mode === 'wash'"
          >, becomes the wanted one; what is darker or lighter a shade of it</template
        ><template v-else
          >; turned by {{ Math.round(tint?.hueDeg ?? 0) }}°, saturation
          {{ Math.round((tint?.saturation ?? 1) * 100) }} %, brightness
          {{ Math.round((tint?.brightness ?? 1) * 100) }} %</template
        >
      </p>
    </template>
    <template v-else-if="part.colour.mode === 'tint'">
      <FieldRow label="Hue"
        ><RangeField
          label="Hue"
          :value="part.colour.hueDeg"
          :shown="`${Math.round(part.colour.hueDeg)}°`"
          :min="0"
          :max="360"
          :step="1"
          :disabled="disabled"
          @change="(hueDeg) => setTint({ hueDeg })"
      /></FieldRow>
      <FieldRow label="Saturation"
        ><RangeField
          label="Saturation"
          :value="part.colour.saturation"
          :shown="`${Math.round(part.colour.saturation * 100)} %`"
          :min="0"
          :max="3"
          :step="0.02"
          :disabled="disabled"
          @change="(saturation) => setTint({ saturation })"
      /></FieldRow>
      <FieldRow label="Brightness"
        ><RangeField
          label="Brightness"
          :value="part.colour.brightness"
          :shown="`${Math.round(part.colour.brightness * 100)} %`"
          :min="0"
          :max="3"
          :step="0.02"
          :disabled="disabled"
          @change="(brightness) => setTint({ brightness })"
      /></FieldRow>
    </template>
  </InspectorSection>
</template>
