<script setup lang="ts">
import { NuxtLink } from '#components'
import { Play, Square } from '@lucide/vue'
import { computed, onMounted } from 'vue'
import { levellingOf } from '../../../core/audio/level.ts'
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import type { SayingKind } from '../../../core/speech/spoken.ts'
import { usualVoice } from '../../../core/speech/voiceChoice.ts'
import { useListening } from '../../composables/useListening.ts'
import { seconds } from '../../format/time.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useSpeechStore } from '../../stores/speech.ts'
import DialKnob from '../dials/DialKnob.vue'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import RangeField from '../fields/RangeField.vue'
import VoiceField from '../speech/VoiceField.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import TemplateField from './TemplateField.vue'
import TrimRow from './TrimRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'voice'>; look: Look; kinds: readonly EventKind[]; disabled: boolean }>()
const edit = usePartEdit<'voice'>(() => props.part)
const speech = useSpeechStore()
const view = useRoomViewStore()
const listening = useListening()
onMounted(() => void speech.ensureLoaded().catch(() => undefined))

const sayings = computed(() =>
  (view.voices.sayings.find(({ part }) => part.id === props.part.id)?.sayings ?? []).map((saying) => ({
    ...saying,
    answer: speech.answerOf(saying),
  })),
)
const gainOf = (answer: NonNullable<(typeof sayings.value)[number]['answer']>) =>
  (answer.utterance?.level ? levellingOf(answer.utterance.level, props.look.soundLevel).gainDb : 0) +
  props.part.trimDb +
  props.look.soundTrimDb
const names: Record<SayingKind, string> = { line: 'the line', message: 'the message' }
const fields = { line: 'lineVoice', message: 'messageVoice' } as const
const whose = [
  { value: 'channel', label: 'the channel’s' },
  { value: 'own', label: 'its own' },
] as const
const channelVoice = (of: SayingKind) =>
  (of === 'line' ? speech.settings?.lineVoice : speech.settings?.messageVoice) ?? usualVoice
const setVoice = (of: SayingKind, isOwn: boolean) =>
  edit(`voice of ${names[of]}`, (draft) => void (draft[fields[of]] = isOwn ? { ...channelVoice(of) } : null))
</script>

<template>
  <div class="space-y-2">
    <p class="text-faded">Says of the event:</p>
    <div class="flex items-start gap-2">
      <TemplateField
        class="min-w-0 flex-1"
        :value="part.template"
        label="What the voice says of the event"
        :kinds="kinds"
        :disabled="disabled"
        @change="(template) => edit('what the voice says', (draft) => void (draft.template = template))"
      /><DialKnob path="template" label="What it says" />
    </div>
    <CheckRow
      label="Then"
      path="readsMessage"
      words="reads what the viewer wrote"
      :checked="part.readsMessage"
      :disabled="disabled"
      @change="(readsMessage) => edit('reads the message', (draft) => void (draft.readsMessage = readsMessage))"
    />
    <FieldRow label="Pause"
      ><NumberField
        label="Pause between the line and the message"
        :value="part.pauseMs / 1000"
        unit="s"
        :min="0"
        :max="10"
        :step="0.05"
        :decimals="2"
        :disabled="disabled"
        @change="(s) => edit('pause', (draft) => void (draft.pauseMs = Math.round(s * 1000)))"
    /></FieldRow>
    <InspectorSection title="With this sample" :note="`${sayings.length} to say`">
      <p v-if="sayings.length === 0" class="text-faded">This sample gives it nothing to read.</p>
      <p v-if="speech.refusal" role="alert" class="text-brick">{{ speech.refusal }}</p>
      <div v-for="saying in sayings" :key="saying.of" class="rounded-sm bg-sheet p-2">
        <template v-if="saying.answer">
          <p v-if="saying.answer.utterance" class="flex items-start gap-2">
            <button
              type="button"
              class="button min-h-7! shrink-0 px-2!"
              :aria-label="`Hear ${names[saying.of]}`"
              :aria-pressed="listening.isHeard(saying.answer.utterance.url, gainOf(saying.answer))"
              @click="listening.toggle(saying.answer.utterance.url, gainOf(saying.answer))"
            >
              <Square
                v-if="listening.isHeard(saying.answer.utterance.url, gainOf(saying.answer))"
                :size="12"
                aria-hidden="true"
              /><Play v-else :size="13" aria-hidden="true" />
            </button>
            <span class="min-w-0 break-words"
              ><bdi>{{ saying.answer.text }}</bdi
              >{{ ' ' }}
              <span class="font-mono text-2xs text-faded"
                >{{ seconds(saying.answer.utterance.durationMs) }} s</span
              ></span
            >
          </p>
          <p v-else class="text-brick">{{ saying.answer.reason ?? saying.answer.trouble }}</p>
          <p v-if="saying.answer.outcome === 'changed'" class="mt-1 text-2xs text-faded">
            Cleaned from: <bdi>{{ saying.written }}</bdi>
          </p>
        </template>
        <p v-else class="text-faded">Being spoken…</p>
      </div>
      <p><NuxtLink to="/speech" class="link text-deep-sky">How messages are cleaned, and who is read</NuxtLink></p>
    </InspectorSection>
    <InspectorSection title="Loudness" note="levelled like every sound">
      <TrimRow
        label="Volume of the voice"
        :trim-db="part.trimDb"
        :disabled="disabled"
        @change="(trimDb) => edit('volume', (draft) => void (draft.trimDb = trimDb))"
      />
      <FieldRow label="Others duck" path="duckDb"
        ><RangeField
          label="Other sounds go down while it speaks"
          :value="part.duckDb"
          :shown="part.duckDb === 0 ? 'not at all' : `${part.duckDb.toFixed(0).replace('-', '−')} dB`"
          :min="-40"
          :max="0"
          :step="1"
          :disabled="disabled"
          @change="(duckDb) => edit('ducking', (draft) => void (draft.duckDb = duckDb))"
      /></FieldRow>
      <CheckRow
        label="Muted"
        path="isMuted"
        words="not heard on air"
        :checked="part.isMuted"
        :disabled="disabled"
        @change="(isMuted) => edit('muted', (draft) => void (draft.isMuted = isMuted))"
      />
    </InspectorSection>
    <InspectorSection
      title="Voices"
      :is-folded="part.lineVoice === null && part.messageVoice === null"
      :note="part.lineVoice || part.messageVoice ? 'its own' : 'the channel’s'"
    >
      <template v-for="of in ['line', 'message'] as const" :key="of">
        <FieldRow :label="of === 'line' ? 'The line' : 'The message'"
          ><ChoiceField
            :label="`Voice of ${names[of]}`"
            :value="part[fields[of]] ? 'own' : 'channel'"
            :choices="whose"
            :disabled="disabled"
            @change="(value) => setVoice(of, value === 'own')"
        /></FieldRow>
        <VoiceField
          v-if="part[fields[of]]"
          :voice="part[fields[of]] ?? usualVoice"
          :label="`voice of ${names[of]}`"
          :disabled="disabled"
          @change="(voice) => edit(`voice of ${names[of]}`, (draft) => void (draft[fields[of]] = voice))"
        />
      </template>
    </InspectorSection>
  </div>
</template>
