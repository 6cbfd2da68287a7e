<script setup lang="ts">
import { ArrowDown, ArrowUp, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import type { Dial } from '../../../core/pack/dial.ts'
import { everywhere } from '../../../core/pack/dialFor.ts'
import { boundCount, changeDial, moveDial, removeDial, turnDesigned } from '../../../core/pack/designEdits.ts'
import { placeWords } from '../../../core/pack/placeWords.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'
import InspectorSection from '../inspector/InspectorSection.vue'
import DialField from './DialField.vue'

/** A dial as its designer declares it: what it is called, what it turns, how far; it can be tried here. */
const props = defineProps<{ dial: Dial; problems: readonly string[]; disabled: boolean }>()
const draft = useDraftStore()
const count = computed(() => (draft.document ? boundCount(draft.document, props.dial) : 0))
const places = computed(() =>
  props.dial.bindings.map(({ path }) => ({
    path,
    words: placeWords(draft.document?.alerts ?? [], path.split('.')),
    wider: everywhere(path),
  })),
)
const edit = (what: string, recipe: (dial: Dial) => void) => draft.edit(changeDial(props.dial.id, what, recipe))
const decimals = computed(() => (props.dial.kind === 'number' && props.dial.most - props.dial.least < 20 ? 2 : 0))
function rename(label: string): void {
  if (label) edit('name', (dial) => void (dial.label = label))
}
/** Every part of that name, in all alerts and cases; then they all stand alike. */
function widen(path: string, wider: string): void {
  edit('everywhere', (dial) =>
    dial.bindings.forEach((binding) => void (binding.path === path && (binding.path = wider))),
  )
  draft.edit(turnDesigned(props.dial.id, props.dial.initial))
}
</script>

<template>
  <InspectorSection :title="dial.label" :note="dial.group || undefined" is-folded>
    <p v-for="problem in problems" :key="problem" class="text-brick">{{ problem }}</p>
    <FieldRow label="Begins at"
      ><DialField
        :dial="dial"
        :value="dial.initial"
        :disabled="disabled"
        @change="draft.edit(turnDesigned(dial.id, $event))"
    /></FieldRow>
    <FieldRow label="Called"
      ><TypedField
        type="text"
        class="field"
        :value="dial.label"
        maxlength="60"
        :disabled="disabled"
        :aria-label="`Name of the dial ${dial.label}`"
        @change="rename"
    /></FieldRow>
    <FieldRow label="Group"
      ><TypedField
        type="text"
        class="field"
        :value="dial.group"
        maxlength="60"
        placeholder="Colours, Words, Sound…"
        :disabled="disabled"
        :aria-label="`Group of ${dial.label}`"
        @change="(group) => edit('group', (changed) => void (changed.group = group))"
    /></FieldRow>
    <FieldRow label="Explained"
      ><TypedField
        type="text"
        class="field"
        :value="dial.about"
        maxlength="200"
        :disabled="disabled"
        :aria-label="`What ${dial.label} does`"
        @change="(about) => edit('explained', (changed) => void (changed.about = about))"
    /></FieldRow>
    <FieldRow v-if="dial.kind === 'number'" label="Range">
      <div class="grid grid-cols-2 gap-1">
        <NumberField
          :label="`Least of ${dial.label}`"
          :value="dial.least"
          unit="least"
          :decimals="decimals"
          :disabled="disabled"
          @change="(least) => edit('range', (changed) => void (changed.kind === 'number' && (changed.least = least)))"
        />
        <NumberField
          :label="`Most of ${dial.label}`"
          :value="dial.most"
          unit="most"
          :decimals="decimals"
          :disabled="disabled"
          @change="(most) => edit('range', (changed) => void (changed.kind === 'number' && (changed.most = most)))"
        />
      </div>
    </FieldRow>
    <FieldRow v-if="dial.kind === 'number'" label="Unit">
      <div>
        <TypedField
          type="text"
          class="field"
          :value="dial.unit"
          maxlength="20"
          placeholder="%, px, s…"
          :disabled="disabled"
          :aria-label="`Unit of ${dial.label}`"
          @change="(unit) => edit('unit', (changed) => void (changed.kind === 'number' && (changed.unit = unit)))"
        />
      </div>
    </FieldRow>
    <div>
      <p class="text-faded">Turns {{ counted(count, 'place') }}:</p>
      <ul class="space-y-0.5">
        <li v-for="{ path, words, wider } in places" :key="path">
          {{ words
          }}<button
            v-if="wider !== path && !disabled"
            type="button"
            class="link ml-1 text-deep-sky"
            @click="widen(path, wider)"
          >
            in all alerts
          </button>
        </li>
      </ul>
    </div>
    <div v-if="!disabled" class="flex gap-1">
      <button
        type="button"
        class="button px-2"
        :aria-label="`Move ${dial.label} up`"
        title="Up"
        @click="draft.edit(moveDial(dial.id, -1))"
      >
        <ArrowUp :size="14" />
      </button>
      <button
        type="button"
        class="button px-2"
        :aria-label="`Move ${dial.label} down`"
        title="Down"
        @click="draft.edit(moveDial(dial.id, 1))"
      >
        <ArrowDown :size="14" />
      </button>
      <button
        type="button"
        class="button ml-auto px-2"
        :aria-label="`Remove the dial ${dial.label}`"
        title="Remove the dial; what it turned stays"
        @click="draft.edit(removeDial(dial.id))"
      >
        <Trash2 :size="14" />
      </button>
    </div>
  </InspectorSection>
</template>
