<script setup lang="ts">
import { computed } from 'vue'
import type { VoiceChoice } from '../../../core/speech/voiceChoice.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { languageName } from '../../format/languageName.ts'
import { useSpeechStore } from '../../stores/speech.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import RangeField from '../fields/RangeField.vue'

/** A voice and how it speaks. */
const props = defineProps<{ voice: VoiceChoice; label: string; disabled?: boolean }>()
const emit = defineEmits<{ change: [voice: VoiceChoice] }>()
const speech = useSpeechStore()
const channel = useChannel()
const own = computed(() => channel.value.locale.split('-')[0] ?? 'en')
const choices = computed(() => {
  const listed = speech.voices.map(({ engine, id, name, language }) => ({
    value: `${engine}/${id}`,
    label: `${languageName(language)} · ${name}, ${engine}`,
    isOwn: language.toLowerCase().split('-')[0] === own.value,
  }))
  // The channel's own language first.
  const sorted = [...listed.filter(({ isOwn }) => isOwn), ...listed.filter(({ isOwn }) => !isOwn)]
  const value = `${props.voice.engine}/${props.voice.voice}`
  return sorted.some((each) => each.value === value)
    ? sorted
    : [{ value, label: `${props.voice.voice}, ${props.voice.engine}` }, ...sorted]
})
function choose(value: string): void {
  const at = value.indexOf('/')
  emit('change', { ...props.voice, engine: value.slice(0, at), voice: value.slice(at + 1) })
}
</script>

<template>
  <div class="space-y-2" role="group" :aria-label="label">
    <FieldRow label="Voice"
      ><ChoiceField
        :label="label"
        :value="`${voice.engine}/${voice.voice}`"
        :choices="choices"
        :disabled="disabled"
        @change="choose"
    /></FieldRow>
    <FieldRow label="Pace"
      ><RangeField
        :label="`Pace of ${label}`"
        :value="voice.rate"
        :shown="`${voice.rate} wpm`"
        :min="80"
        :max="320"
        :step="5"
        :disabled="disabled"
        @change="(rate) => emit('change', { ...voice, rate })"
    /></FieldRow>
    <FieldRow label="Pitch"
      ><RangeField
        :label="`Pitch of ${label}`"
        :value="voice.pitch"
        :shown="String(voice.pitch)"
        :min="0"
        :max="100"
        :step="1"
        :disabled="disabled"
        @change="(pitch) => emit('change', { ...voice, pitch })"
    /></FieldRow>
  </div>
</template>
