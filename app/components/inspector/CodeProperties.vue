<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import {
  codeLimits,
  numberUnits,
  propertyName,
  type Code,
  type CodeProperty,
} from '../../../core/score/parts/code/schema.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

/** What of a code part can be changed without its code, and turned by dials. */
const props = defineProps<{ part: Code; look: Look; kinds: readonly EventKind[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part, 'one')
const unitChoices = numberUnits.map((value) => ({ value, label: value === '' ? 'no unit' : value }))
const fresh: { kind: CodeProperty['kind']; label: string; base: string; make: () => CodeProperty }[] = [
  { kind: 'colour', label: 'Colour', base: 'colour', make: () => ({ kind: 'colour', ink: { role: 'accent' } }) },
  { kind: 'number', label: 'Number', base: 'number', make: () => ({ kind: 'number', value: 10, unit: 'px' }) },
  { kind: 'words', label: 'Words', base: 'words', make: () => ({ kind: 'words', template: '{name}' }) },
]

function add({ base, make }: (typeof fresh)[number]): void {
  edit('a property', (draft) => {
    let name = base
    for (let count = 2; name in draft.properties; count++) name = `${base}-${count}`
    draft.properties[name] = make()
  })
}
/** Keeps its place in the list. @returns whether the name is taken */
function rename(from: string, to: string): void {
  const wanted = to.replace(/^--/, '')
  if (wanted === from || !propertyName.safeParse(wanted).success || wanted in props.part.properties) return
  edit('a property', (draft) => {
    draft.properties = Object.fromEntries(
      Object.entries(draft.properties).map(([name, value]) => [name === from ? wanted : name, value]),
    )
  })
}
const change = (name: string, to: CodeProperty) => edit(`--${name}`, (draft) => void (draft.properties[name] = to))
function remove(name: string): void {
  edit('a property', (draft) => {
    draft.properties = Object.fromEntries(Object.entries(draft.properties).filter(([each]) => each !== name))
  })
}
</script>

<template>
  <InspectorSection title="Properties of its own" :note="`${Object.keys(part.properties).length}`">
    <p v-if="Object.keys(part.properties).length === 0" class="text-faded">
      A colour, a number or words that the CSS takes up by name: to be changed here, or by a dial of a pack.
    </p>
    <div v-for="(property, name) in part.properties" :key="name" class="space-y-1 border-l-2 border-rule pl-2">
      <div class="flex items-center gap-1">
        <TypedField
          :aria-label="`Name of ${name}`"
          :value="`--${name}`"
          class="field min-w-0 flex-1 px-1.5 font-mono text-2xs"
          :disabled="disabled"
          @change="(to: string) => rename(name, to)"
        />
        <button
          v-if="!disabled"
          type="button"
          class="button size-7! px-0!"
          :aria-label="`Remove ${name}`"
          @click="remove(name)"
        >
          <Trash2 :size="13" aria-hidden="true" />
        </button>
      </div>
      <FieldRow v-if="property.kind === 'colour'" label="Colour" :path="`properties.${name}.ink`"
        ><InkField
          :label="`Colour ${name}`"
          :ink="property.ink"
          :look="look"
          :disabled="disabled"
          @change="(ink) => change(name, { kind: 'colour', ink })"
      /></FieldRow>
      <FieldRow v-else-if="property.kind === 'number'" label="Number" :path="`properties.${name}.value`">
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            :label="`Number ${name}`"
            :value="property.value"
            unit=""
            :min="-1000000"
            :max="1000000"
            :decimals="2"
            :disabled="disabled"
            @change="(value) => change(name, { ...property, value })"
          />
          <ChoiceField
            :label="`Unit of ${name}`"
            :value="property.unit"
            :choices="unitChoices"
            :disabled="disabled"
            @change="(unit) => change(name, { ...property, unit: unit ?? '' })"
          />
        </div>
      </FieldRow>
      <FieldRow v-else label="Words" :path="`properties.${name}.template`"
        ><TypedField
          class="field w-full px-1.5"
          :aria-label="`Words ${name}`"
          :value="property.template"
          :disabled="disabled"
          @change="(template: string) => change(name, { kind: 'words', template })"
      /></FieldRow>
    </div>
    <div
      v-if="!disabled && Object.keys(part.properties).length < codeLimits.properties"
      class="flex gap-1"
      role="group"
      aria-label="Add a property"
    >
      <button
        v-for="each in fresh"
        :key="each.kind"
        type="button"
        class="button min-h-7! flex-1 px-1!"
        @click="add(each)"
      >
        <Plus :size="13" aria-hidden="true" />{{ each.label }}
      </button>
    </div>
  </InspectorSection>
</template>
