<script setup lang="ts">
import { computed } from 'vue'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { localText, momentOfText } from '../../../core/time/localText.ts'
import { useChannel } from '../../composables/useChannel.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import { timeVariables } from './liveVariables.ts'
import LiveWords from './LiveWords.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'clock'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const channel = useChannel()
const ways = [
  { value: 'stream', label: 'up since the broadcast began' },
  { value: 'up', label: 'up since a moment' },
  { value: 'down', label: 'down to a moment' },
  { value: 'time', label: 'what time it is' },
] as const
type Way = (typeof ways)[number]['value']
const way = computed<Way>(() => {
  const { counts } = props.part
  return counts.way === 'up' && counts.fromMs === null ? 'stream' : counts.way
})
const momentMs = computed(() => {
  const { counts } = props.part
  if (counts.way === 'down') return counts.toMs
  return counts.way === 'up' ? counts.fromMs : null
})
const counting = (to: Way, atMs: number): PartOf<'clock'>['counts'] => {
  if (to === 'time') return { way: 'time' }
  return to === 'down' ? { way: 'down', toMs: atMs } : { way: 'up', fromMs: to === 'stream' ? null : atMs }
}
/** The next full hour: somebody will set it to what they mean. */
const nextHourMs = () => Math.ceil(Date.now() / 3_600_000 + 1) * 3_600_000
function setMoment(text: string): void {
  const atMs = momentOfText(text, channel.value.timeZone)
  if (atMs !== null) edit('moment', (draft) => void (draft.counts = counting(way.value, atMs)))
}
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="Counts"
      ><ChoiceField
        label="Counts"
        :value="way"
        :choices="ways"
        :disabled="disabled"
        @change="
          (to) =>
            edit('counting', (draft) => void (draft.counts = counting(to, to === 'up' ? Date.now() : nextHourMs())))
        "
    /></FieldRow>
    <FieldRow v-if="momentMs !== null" :label="way === 'down' ? 'Down to' : 'Up from'"
      ><input
        class="field"
        type="datetime-local"
        :aria-label="way === 'down' ? 'Down to' : 'Up from'"
        :value="localText(momentMs, channel.timeZone)"
        :disabled="disabled"
        @change="setMoment(($event.target as HTMLInputElement).value)"
    /></FieldRow>
    <LiveWords
      title="Says"
      :value="part.says"
      :label="`Words of ${part.name}`"
      :variables="timeVariables"
      :disabled="disabled"
      @change="(says) => edit('words', (draft) => void (draft.says = says))"
    />
    <template v-if="way === 'down'">
      <LiveWords
        title="When it is over"
        :value="part.whenOver"
        :label="`Words of ${part.name} when it is over`"
        :variables="timeVariables"
        :disabled="disabled"
        @change="(whenOver) => edit('words', (draft) => void (draft.whenOver = whenOver))"
      />
    </template>
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
