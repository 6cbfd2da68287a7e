<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { computed } from 'vue'
import { strictnesses, type SpeechRules } from '../../../core/speech/rules.ts'
import { rulesInEffect, type SpeechSettings } from '../../../core/speech/settings.ts'
import { useSpeechSettings } from '../../composables/useSpeechSettings.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import CheckRow from '../inspector/CheckRow.vue'
import InspectorSection from '../inspector/InspectorSection.vue'

/** How much is cleaned away: a level, and each of its steps by itself. */
const props = defineProps<{ settings: SpeechSettings; disabled: boolean }>()
const { change, changeRules } = useSpeechSettings()
const rules = computed(() => rulesInEffect(props.settings))
type Level = SpeechSettings['strictness']
const words: Record<Level, string> = {
  open: 'read as it is written',
  careful: 'abuse is cleaned away',
  strict: 'short, and nothing doubtful',
  own: 'set step by step',
}
const levels: readonly Level[] = [...strictnesses, 'own']
const choose = (strictness: Level) =>
  void change(
    strictness === 'own' ? { strictness, rules: rules.value } : { strictness },
    `Messages are read at the level ${strictness}: ${words[strictness]}.`,
  )
const blockedChoices: { value: SpeechRules['blocked']; label: string }[] = [
  { value: 'keep', label: 'are read' },
  { value: 'leaveOut', label: 'are left out' },
  { value: 'refuse', label: 'stop the message' },
]
const emojiChoices: { value: SpeechRules['emoji']; label: string }[] = [
  { value: 'keep', label: 'are all read' },
  { value: 'once', label: 'rows become one' },
  { value: 'drop', label: 'are left out' },
]
/** Nought is “as many as there are”. */
const most = (count: number) => (count === 0 ? 'read all' : 'at most')
</script>

<template>
  <div class="space-y-2">
    <RadioGroup
      :model-value="settings.strictness"
      :disabled="disabled"
      class="grid grid-cols-4 overflow-hidden rounded-sm border border-rule"
      aria-label="Level"
      @update:model-value="choose"
    >
      <RadioGroupOption v-for="level in levels" :key="level" v-slot="{ checked }" :value="level" as="template">
        <div
          class="cursor-pointer px-1 py-1.5 text-center not-last:border-r not-last:border-rule"
          :class="checked ? 'bg-ink font-semibold text-paper' : 'bg-sheet hover:bg-rule/50'"
        >
          {{ level }}
        </div>
      </RadioGroupOption>
    </RadioGroup>
    <p class="text-faded">
      {{ words[settings.strictness][0]?.toUpperCase() }}{{ words[settings.strictness].slice(1) }}. Changing a step below
      makes the level your own.
    </p>
    <InspectorSection title="What is cleaned">
      <CheckRow
        label="Addresses"
        words="are read as “link”"
        :checked="rules.easesLinks"
        :disabled="disabled"
        @change="
          (easesLinks) =>
            changeRules(
              { easesLinks },
              easesLinks ? 'Addresses are read as “link”.' : 'Addresses are read as they are.',
            )
        "
      />
      <FieldRow label="Blocked words"
        ><ChoiceField
          label="Blocked words"
          :value="rules.blocked"
          :choices="blockedChoices"
          :disabled="disabled"
          @change="
            (blocked) =>
              changeRules({ blocked }, `Blocked words ${blockedChoices.find(({ value }) => value === blocked)?.label}.`)
          "
      /></FieldRow>
      <FieldRow label="Emoji"
        ><ChoiceField
          label="Emoji"
          :value="rules.emoji"
          :choices="emojiChoices"
          :disabled="disabled"
          @change="
            (emoji) => changeRules({ emoji }, `Emoji: ${emojiChoices.find(({ value }) => value === emoji)?.label}.`)
          "
      /></FieldRow>
      <CheckRow
        label="Emotes"
        words="are read by their names"
        :checked="rules.readsEmotes"
        :disabled="disabled"
        @change="
          (readsEmotes) =>
            changeRules({ readsEmotes }, readsEmotes ? 'Emotes are read by their names.' : 'Emotes are left out.')
        "
      />
      <FieldRow label="Figures"
        ><NumberField
          label="Figures in a row"
          :value="rules.figures"
          :unit="most(rules.figures)"
          :min="0"
          :max="100"
          :disabled="disabled"
          @change="
            (figures) =>
              changeRules(
                { figures },
                figures === 0
                  ? 'Every number is read.'
                  : `Numbers of more than ${figures} figures are “a very long number”.`,
              )
          "
      /></FieldRow>
      <FieldRow label="Same letter"
        ><NumberField
          label="The same letter in a row"
          :value="rules.lettersInARow"
          :unit="most(rules.lettersInARow)"
          :min="0"
          :max="50"
          :disabled="disabled"
          @change="
            (lettersInARow) =>
              changeRules(
                { lettersInARow },
                lettersInARow === 0
                  ? 'Held letters are read as they are.'
                  : `A letter is held at most ${lettersInARow} times.`,
              )
          "
      /></FieldRow>
      <FieldRow label="Same words"
        ><NumberField
          label="The same words in a row"
          :value="rules.wordsInARow"
          :unit="most(rules.wordsInARow)"
          :min="0"
          :max="50"
          :disabled="disabled"
          @change="
            (wordsInARow) =>
              changeRules(
                { wordsInARow },
                wordsInARow === 0
                  ? 'Repeated words are all read.'
                  : `The same words are read at most ${wordsInARow} times in a row.`,
              )
          "
      /></FieldRow>
      <CheckRow
        label="Capitals"
        words="shouting is eased"
        :checked="rules.easesCapitals"
        :disabled="disabled"
        @change="
          (easesCapitals) =>
            changeRules({ easesCapitals }, easesCapitals ? 'Shouting is eased.' : 'Capitals stay as they are.')
        "
      />
      <FieldRow label="Longest"
        ><NumberField
          label="Most letters"
          :value="rules.maxLetters"
          unit="letters"
          :min="10"
          :max="500"
          :step="10"
          :disabled="disabled"
          @change="(maxLetters) => changeRules({ maxLetters }, `At most ${maxLetters} letters are read.`)"
      /></FieldRow>
      <FieldRow label="and"
        ><NumberField
          label="Most seconds"
          :value="rules.maxSeconds"
          unit="seconds"
          :min="1"
          :max="60"
          :disabled="disabled"
          @change="(maxSeconds) => changeRules({ maxSeconds }, `At most ${maxSeconds} seconds are read.`)"
      /></FieldRow>
    </InspectorSection>
  </div>
</template>
