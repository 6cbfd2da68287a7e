<script setup lang="ts">
import { computed } from 'vue'
import type { Gate } from '../../../core/gate/schema.ts'
import { listed } from '../../format/listed.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'

/** What viewers type with it. */
const props = defineProps<{ asked: Gate['asked'] }>()
const emit = defineEmits<{ change: [asked: Gate['asked']] }>()
const ways = [
  { value: 'nothing', label: 'nothing has to be typed' },
  { value: 'text', label: 'words of their own' },
  { value: 'choice', label: 'one of these words' },
] as const
const letters = [
  { value: 'any', label: 'any letters and signs' },
  { value: 'letters', label: 'letters alone' },
  { value: 'lettersAndFigures', label: 'letters and figures' },
] as const
const way = computed(() => props.asked?.as ?? 'nothing')

function setWay(next: (typeof ways)[number]['value']): void {
  if (next === 'text') emit('change', { as: 'text', minLetters: 2, maxLetters: 24, letters: 'any' })
  else if (next === 'choice') emit('change', { as: 'choice', choices: ['rye', 'bun'] })
  else emit('change', null)
}
function setChoices(typed: string): void {
  const choices = listed(typed)
  if (choices.length > 0) emit('change', { as: 'choice', choices })
}
</script>

<template>
  <ChoiceField label="What is asked for" :value="way" :choices="ways" @change="setWay" />
  <template v-if="asked?.as === 'text'">
    <div class="grid grid-cols-2 gap-2">
      <NumberField
        label="Letters at least"
        unit="at least"
        :value="asked.minLetters"
        :min="1"
        :max="asked.maxLetters"
        @change="(minLetters) => asked?.as === 'text' && emit('change', { ...asked, minLetters })"
      />
      <NumberField
        label="Letters at most"
        unit="at most"
        :value="asked.maxLetters"
        :min="asked.minLetters"
        :max="500"
        @change="(maxLetters) => asked?.as === 'text' && emit('change', { ...asked, maxLetters })"
      />
    </div>
    <ChoiceField
      label="Which letters"
      :value="asked.letters"
      :choices="letters"
      @change="(chosen) => asked?.as === 'text' && emit('change', { ...asked, letters: chosen })"
    />
    <p class="text-faded">What the speech desk never reads is not taken either.</p>
  </template>
  <TypedField
    v-else-if="asked"
    class="field"
    aria-label="Words to choose from, with commas between them"
    :value="asked.choices.join(', ')"
    @change="setChoices"
  />
</template>
