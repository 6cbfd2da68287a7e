<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import InspectorSection from './InspectorSection.vue'
import { usePartEdit } from './usePartEdit.ts'

/** Words that light up while a voice reads them. */
const props = defineProps<{ part: PartOf<'line' | 'message'>; look: Look; hasVoice: boolean; disabled: boolean }>()
const edit = usePartEdit<'line' | 'message'>(() => props.part)
type Way = 'not' | 'word' | 'through'
const ways: { value: Way; label: string }[] = [
  { value: 'not', label: 'no' },
  { value: 'word', label: 'the word that is read' },
  { value: 'through', label: 'all that was read so far' },
]
function wayOf({ readAlong }: PartOf<'line' | 'message'>): Way {
  if (readAlong === null) return 'not'
  return readAlong.keeps ? 'through' : 'word'
}
const choose = (way: Way) =>
  edit(
    'lit as it is read',
    (draft) =>
      void (draft.readAlong =
        way === 'not' ? null : { ink: draft.readAlong?.ink ?? { role: 'accent' }, keeps: way === 'through' }),
  )
</script>

<template>
  <InspectorSection
    title="Read aloud"
    :is-folded="part.readAlong === null"
    :note="part.readAlong ? 'lights up' : 'does not light up'"
  >
    <FieldRow label="Light up"
      ><ChoiceField label="Words light up" :value="wayOf(part)" :choices="ways" :disabled="disabled" @change="choose"
    /></FieldRow>
    <FieldRow v-if="part.readAlong" label="Colour" path="readAlong.ink"
      ><InkField
        label="Colour of words that are read"
        :ink="part.readAlong.ink"
        :look="look"
        :disabled="disabled"
        @change="
          (ink) =>
            edit('colour of words that are read', (draft) => void (draft.readAlong && (draft.readAlong.ink = ink)))
        "
    /></FieldRow>
    <p v-if="!hasVoice" class="text-faded">
      No voice reads in this alert yet. Add one with the tool left of the stage.
    </p>
  </InspectorSection>
</template>
