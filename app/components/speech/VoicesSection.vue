<script setup lang="ts">
import type { SpeechSettings } from '../../../core/speech/settings.ts'
import { useSpeechSettings } from '../../composables/useSpeechSettings.ts'
import { useSpeechStore } from '../../stores/speech.ts'
import CheckRow from '../inspector/CheckRow.vue'
import InspectorSection from '../inspector/InspectorSection.vue'
import VoiceField from './VoiceField.vue'

defineProps<{ settings: SpeechSettings; disabled: boolean }>()
const { change } = useSpeechSettings()
const speech = useSpeechStore()
</script>

<template>
  <InspectorSection title="Voices" :note="`${speech.voices.length} to choose from`">
    <h4 class="text-faded">For the line about the event</h4>
    <VoiceField
      :voice="settings.lineVoice"
      label="voice of the line"
      :disabled="disabled"
      @change="(lineVoice) => change({ lineVoice }, 'The line has this voice now.')"
    />
    <h4 class="pt-1 text-faded">For what viewers write</h4>
    <VoiceField
      :voice="settings.messageVoice"
      label="voice of messages"
      :disabled="disabled"
      @change="(messageVoice) => change({ messageVoice }, 'Messages have this voice now.')"
    />
    <CheckRow
      label="Languages"
      words="another language gets a voice of its own"
      :checked="settings.guessesLanguage"
      :disabled="disabled"
      @change="
        (guessesLanguage) =>
          change(
            { guessesLanguage },
            guessesLanguage
              ? 'Messages in another language get a voice that speaks it.'
              : 'One voice reads everything.',
          )
      "
    />
    <p v-for="trouble in speech.view?.troubles ?? []" :key="trouble.engine" role="alert" class="text-brick">
      The engine “{{ trouble.engine }}” does not answer: {{ trouble.reason }}
    </p>
  </InspectorSection>
</template>
