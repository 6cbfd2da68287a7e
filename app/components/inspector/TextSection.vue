<script setup lang="ts">
import { computed } from 'vue'
import { plainShadow } from '../../../core/look/lanternLook.ts'
import { typeRoles, type Look, type StyledType } from '../../../core/look/schema.ts'
import type { LivePart, TextPart } from '../../../core/score/parts/part.ts'
import { textAligns, textFits } from '../../../core/text/style.ts'
import { useTypefaces } from '../../library/useTypefaces.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'
import MissingLetters from '../look/MissingLetters.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import ShadowFields from './ShadowFields.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: TextPart | LivePart; look: Look; disabled: boolean }>()
const edit = usePartEdit<(TextPart | LivePart)['kind']>(() => props.part)
const { families, typefaceOf } = useTypefaces()

const typeChoices = computed(() => [
  ...typeRoles.map((role) => ({
    value: `role:${role}`,
    label: `${role} of the look`,
    family: `"${props.look.type[role].family}"`,
  })),
  ...families.value.map((family) => ({ value: `own:${family}`, label: family, family: `"${family}"` })),
])
const typeValue = computed(() =>
  'role' in props.part.type ? `role:${props.part.type.role}` : `own:${props.part.type.own.family}`,
)
const fitWords = { shrink: 'gets smaller', wrap: 'breaks into lines', scroll: 'scrolls past' }
const fitChoices = textFits.map((value) => ({ value, label: fitWords[value] }))
const alignWords = { start: 'left', middle: 'middle', end: 'right' }
const alignChoices = textAligns.map((value) => ({ value, label: alignWords[value] }))

function setType(value: string): void {
  const role = typeRoles.find((each) => value === `role:${each}`)
  const own = typefaceOf(value.replace(/^own:/, ''))
  const type: StyledType | null = role ? { role } : own && { own }
  if (type) edit('typeface', (draft) => void (draft.type = type))
}
const shadowChoices = computed(() => [
  { value: 'none', label: 'none' },
  ...typeRoles.map((role) => ({
    value: role as string,
    label: `${role} of the look: ${props.look.type[role].shadow ? 'has one' : 'none now'}`,
  })),
  { value: 'own', label: 'its own' },
])
const shadowValue = computed(() => {
  const { shadow } = props.part
  if (shadow === null) return 'none'
  return 'role' in shadow ? shadow.role : 'own'
})
const ownShadow = computed(() => (props.part.shadow && !('role' in props.part.shadow) ? props.part.shadow : null))
function setShadow(value: string): void {
  const role = typeRoles.find((each) => each === value)
  const own = value === 'own' ? { ...plainShadow } : null
  edit('shadow', (draft) => void (draft.shadow = role ? { role } : own))
}
</script>

<template>
  <InspectorSection title="Style">
    <FieldRow label="Type" path="type"
      ><ChoiceField label="Type" :value="typeValue" :choices="typeChoices" :disabled="disabled" @change="setType"
    /></FieldRow>
    <MissingLetters v-if="'own' in part.type" :family="part.type.own.family" :weight="part.type.own.weight" />
    <FieldRow label="Size" path="sizePx">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="Size"
          :value="part.sizePx"
          unit="px"
          :min="8"
          :max="600"
          :disabled="disabled"
          @change="(sizePx) => edit('size', (draft) => void (draft.sizePx = sizePx))"
        />
        <NumberField
          v-if="'floorPx' in part"
          label="Shrinks to"
          :value="part.floorPx"
          unit="min"
          :min="8"
          :max="600"
          :disabled="disabled"
          @change="
            (floorPx) => edit('smallest size', (draft) => void ('floorPx' in draft && (draft.floorPx = floorPx)))
          "
        />
      </div>
    </FieldRow>
    <template v-if="'fit' in part && part.kind !== 'ticker'">
      <FieldRow label="Too long">
        <div class="grid gap-2" :class="part.fit === 'wrap' ? 'grid-cols-[minmax(0,1fr)_4.5rem]' : ''">
          <ChoiceField
            label="Text that is too long"
            :value="part.fit"
            :choices="fitChoices"
            :disabled="disabled"
            @change="(fit) => edit('fit', (draft) => void ('fit' in draft && (draft.fit = fit)))"
          />
          <NumberField
            v-if="part.fit === 'wrap'"
            label="Most lines"
            :value="part.maxLines"
            unit="lines"
            :min="1"
            :max="12"
            :disabled="disabled"
            @change="(maxLines) => edit('lines', (draft) => void ('maxLines' in draft && (draft.maxLines = maxLines)))"
          />
        </div>
      </FieldRow>
      <FieldRow label="Widest" path="maxWidthPx"
        ><NumberField
          label="Widest"
          :value="part.maxWidthPx"
          unit="px"
          :min="20"
          :max="8000"
          :step="10"
          :disabled="disabled"
          @change="
            (maxWidthPx) => edit('widest', (draft) => void ('maxWidthPx' in draft && (draft.maxWidthPx = maxWidthPx)))
          "
      /></FieldRow>
    </template>
    <FieldRow v-if="part.kind !== 'ticker'" label="Lines stand"
      ><ChoiceField
        label="Lines stand"
        :value="part.align"
        :choices="alignChoices"
        :disabled="disabled"
        @change="(align) => edit('alignment', (draft) => void (draft.align = align))"
    /></FieldRow>
    <FieldRow label="Ink" path="ink"
      ><InkField
        label="Ink"
        :ink="part.ink"
        :look="look"
        :disabled="disabled"
        @change="(ink) => edit('colour', (draft) => void (draft.ink = ink))"
    /></FieldRow>
    <FieldRow :label="part.kind === 'message' ? 'Message in' : 'Variables in'" path="highlightInk"
      ><InkField
        :label="part.kind === 'message' ? 'Message in' : 'Variables in'"
        :ink="part.highlightInk"
        :look="look"
        :disabled="disabled"
        @change="(ink) => edit('colour of variables', (draft) => void (draft.highlightInk = ink))"
    /></FieldRow>
    <FieldRow label="Outline" path="outline.ink"
      ><InkField
        label="Outline"
        :ink="part.outline.ink"
        :look="look"
        :disabled="disabled"
        @change="(ink) => edit('outline', (draft) => void (draft.outline.ink = ink))"
    /></FieldRow>
    <FieldRow label="Outline width" path="outline.widthPx"
      ><NumberField
        label="Outline width"
        :value="part.outline.widthPx"
        unit="px"
        :min="0"
        :max="40"
        :disabled="disabled"
        @change="(widthPx) => edit('outline width', (draft) => void (draft.outline.widthPx = widthPx))"
    /></FieldRow>
    <FieldRow label="Spacing" path="letterSpacingEm">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="Between letters"
          :value="part.letterSpacingEm"
          unit="em"
          :min="-0.2"
          :max="1"
          :step="0.01"
          :decimals="2"
          :disabled="disabled"
          @change="
            (letterSpacingEm) => edit('letter spacing', (draft) => void (draft.letterSpacingEm = letterSpacingEm))
          "
        />
        <NumberField
          label="Line height"
          :value="part.lineHeight"
          unit="×"
          :min="0.8"
          :max="3"
          :step="0.02"
          :decimals="2"
          :disabled="disabled"
          @change="(lineHeight) => edit('line height', (draft) => void (draft.lineHeight = lineHeight))"
        />
      </div>
    </FieldRow>
    <CheckRow
      label="Capitals"
      path="isUpperCase"
      words="all letters"
      :checked="part.isUpperCase"
      :disabled="disabled"
      @change="(isUpperCase) => edit('capitals', (draft) => void (draft.isUpperCase = isUpperCase))"
    />
    <FieldRow label="Shadow"
      ><ChoiceField
        label="Shadow"
        :value="shadowValue"
        :choices="shadowChoices"
        :disabled="disabled"
        @change="setShadow"
    /></FieldRow>
    <ShadowFields
      v-if="ownShadow"
      label="Shadow"
      :shadow="ownShadow"
      :look="look"
      :disabled="disabled"
      @change="(shadow) => edit('shadow', (draft) => void (draft.shadow = shadow))"
    />
  </InspectorSection>
</template>
