<script setup lang="ts">
import { computed, onMounted, useId } from 'vue'
import { fontShelf } from '../../../core/look/fontShelf.ts'
import { typeRoles, type Look, type StyledType } from '../../../core/look/schema.ts'
import type { Line } from '../../../core/parts/line/schema.ts'
import { variablesOfKind } from '../../../core/events/variables.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import { parseTemplate } from '../../../core/text/template.ts'
import { ensureSheet } from '../../../player/preload/fonts.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'
import { templateRemark } from './templateRemark.ts'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Line; look: Look; kind: EventKind; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const wordsId = useId()
// The list shows every typeface in itself.
onMounted(() => fontShelf.forEach((font) => void ensureSheet(font.family)))
const variables = computed(() => variablesOfKind[props.kind])
const remark = computed(() => templateRemark(parseTemplate(props.part.template), variables.value))

const typeChoices = computed(() => [
  ...typeRoles.map((role) => ({ value: `role:${role}`, label: `${role} of the look`, family: `"${props.look.type[role].family}"` })),
  ...fontShelf.map(({ family }) => ({ value: `own:${family}`, label: family, family: `"${family}"` })),
])
const typeValue = computed(() => ('role' in props.part.type ? `role:${props.part.type.role}` : `own:${props.part.type.own.family}`))

function setType(value: string): void {
  const role = typeRoles.find((each) => value === `role:${each}`)
  const font = fontShelf.find((each) => value === `own:${each.family}`)
  const type: StyledType | null = role ? { role } : font ? { own: { family: font.family, weight: font.isVariable ? 700 : (font.weights[0] ?? 400) } } : null
  if (type) edit('typeface', (draft) => void (draft.type = type))
}
function setTemplate(template: string): void {
  edit('words', (draft) => void (draft.template = template))
}
</script>

<template>
  <div class="space-y-2">
    <label :for="wordsId" class="sr-only">Words of {{ part.name }}</label>
    <textarea :id="wordsId" class="field min-h-14 resize-none font-medium" rows="2" maxlength="400" :value="part.template" :disabled="disabled" :aria-describedby="`${wordsId}-remark`" @input="setTemplate(($event.target as HTMLTextAreaElement).value)" />
    <p :id="`${wordsId}-remark`" :class="remark ? 'text-brick' : 'sr-only'">{{ remark || 'The words are fine.' }}</p>
    <div class="flex flex-wrap items-center gap-1" role="group" aria-label="Variables">
      <button v-for="variable in variables" :key="variable.name" type="button" class="rounded-sm border border-rule bg-sheet px-1.5 py-0.5 font-mono text-2xs hover:border-ink" :title="variable.means" :disabled="disabled" @click="setTemplate(`${part.template}${part.template && !part.template.endsWith(' ') ? ' ' : ''}{${variable.name}}`)">{{ `{${variable.name}\}` }}</button>
    </div>
    <section class="space-y-2 border-t border-rule pt-3">
      <h3 class="caps text-faded">Style</h3>
      <FieldRow label="Type"><ChoiceField label="Type" :value="typeValue" :choices="typeChoices" :disabled="disabled" @change="setType" /></FieldRow>
      <FieldRow label="Size">
        <div class="grid grid-cols-2 gap-2">
          <NumberField label="Size" :value="part.sizePx" unit="px" :min="8" :max="600" :disabled="disabled" @change="(sizePx) => edit('size', (draft) => void (draft.sizePx = sizePx))" />
          <NumberField label="Shrinks to" :value="part.floorPx" unit="min" :min="8" :max="600" :disabled="disabled" @change="(floorPx) => edit('smallest size', (draft) => void (draft.floorPx = floorPx))" />
        </div>
      </FieldRow>
      <FieldRow label="Ink"><InkField label="Ink" :ink="part.ink" :look="look" :disabled="disabled" @change="(ink) => edit('colour', (draft) => void (draft.ink = ink))" /></FieldRow>
      <FieldRow label="Variables in"><InkField label="Variables in" :ink="part.highlightInk" :look="look" :disabled="disabled" @change="(ink) => edit('colour of variables', (draft) => void (draft.highlightInk = ink))" /></FieldRow>
      <FieldRow label="Outline"><InkField label="Outline" :ink="part.outline.ink" :look="look" :disabled="disabled" @change="(ink) => edit('outline', (draft) => void (draft.outline.ink = ink))" /></FieldRow>
      <FieldRow label="Outline width"><NumberField label="Outline width" :value="part.outline.widthPx" unit="px" :min="0" :max="40" :disabled="disabled" @change="(widthPx) => edit('outline width', (draft) => void (draft.outline.widthPx = widthPx))" /></FieldRow>
      <FieldRow label="Widest"><NumberField label="Widest" :value="part.maxWidthPx" unit="px" :min="20" :max="8000" :step="10" :disabled="disabled" @change="(maxWidthPx) => edit('widest', (draft) => void (draft.maxWidthPx = maxWidthPx))" /></FieldRow>
    </section>
  </div>
</template>
