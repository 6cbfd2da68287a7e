<script setup lang="ts">
import { computed } from 'vue'
import { usualRowWords } from '../../../core/board/eventRow.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { moneyKinds } from '../../../core/events/moneyKinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import { minorDigits } from '../../../core/minorDigits.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { useChannel } from '../../composables/useChannel.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import KindsField from './KindsField.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import TemplateField from './TemplateField.vue'
import NumberRow from './NumberRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'list'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const channel = useChannel()
const unit = computed(() => 10 ** minorDigits(channel.value.currency))
const hasMoney = computed(() => props.part.kinds.some((kind) => (moneyKinds as EventKind[]).includes(kind)))
const forms = [
  { value: 'standing', label: 'one under the other' },
  { value: 'running', label: 'in a line that runs past' },
] as const
const edges = [
  { value: 'top', label: 'at the top' },
  { value: 'bottom', label: 'at the bottom' },
] as const
/** Words that are as usual are not kept: they change with the program. */
function say(kind: EventKind, words: string): void {
  edit('words', (draft) => {
    if (words === usualRowWords(kind)) Reflect.deleteProperty(draft.words, kind)
    else draft.words[kind] = words
  })
}
</script>

<template>
  <div class="space-y-2">
    <KindsField
      label="What it lists"
      :chosen="part.kinds"
      :offered="eventKinds"
      :disabled="disabled"
      @change="(kinds) => edit('kinds', (draft) => void (draft.kinds = kinds))"
    />
    <NumberRow
      label="The last"
      means="How many"
      :value="part.most"
      unit="rows"
      :min="1"
      :max="20"
      :disabled="disabled"
      @change="(most) => edit('how many', (draft) => void (draft.most = most))"
    />
    <NumberRow
      v-if="hasMoney"
      label="Money from"
      :value="part.leastMinor / unit"
      :unit="channel.currency"
      :min="0"
      :max="1_000_000"
      :decimals="minorDigits(channel.currency)"
      :disabled="disabled"
      @change="(amount) => edit('least amount', (draft) => void (draft.leastMinor = Math.round(amount * unit)))"
    />
    <FieldRow label="Rows stand"
      ><ChoiceField
        label="Rows stand"
        :value="part.form"
        :choices="forms"
        :disabled="disabled"
        @change="(form) => edit('form', (draft) => void (draft.form = form))"
    /></FieldRow>
    <template v-if="part.form === 'standing'">
      <FieldRow label="The newest"
        ><ChoiceField
          label="The newest stands"
          :value="part.newest"
          :choices="edges"
          :disabled="disabled"
          @change="(newest) => edit('order', (draft) => void (draft.newest = newest))"
      /></FieldRow>
      <CheckRow
        label="Ages"
        words="how long ago"
        :checked="part.hasAges"
        :disabled="disabled"
        @change="(hasAges) => edit('ages', (draft) => void (draft.hasAges = hasAges))"
      />
      <CheckRow
        label="Paler"
        words="the older"
        :checked="part.pales"
        :disabled="disabled"
        @change="(pales) => edit('paleness', (draft) => void (draft.pales = pales))"
      />
    </template>
    <NumberRow
      v-else
      label="Runs"
      means="Speed to the left"
      :value="part.pxPerS"
      unit="px/s"
      :min="-4000"
      :max="4000"
      :step="10"
      :disabled="disabled"
      @change="(pxPerS) => edit('speed', (draft) => void (draft.pxPerS = pxPerS))"
    />
    <NumberRow
      label="Between"
      means="Between rows"
      :value="part.gapPx"
      unit="px"
      :min="0"
      :max="400"
      :disabled="disabled"
      @change="(gapPx) => edit('gap', (draft) => void (draft.gapPx = gapPx))"
    />
    <InspectorSection title="In whose words" :is-folded="true">
      <div v-for="kind in part.kinds" :key="kind">
        <p class="text-faded">{{ kindNames[kind] }}</p>
        <TemplateField
          :value="part.words[kind] ?? usualRowWords(kind)"
          :label="`Words for ${kindNames[kind]}`"
          :kinds="[kind]"
          :disabled="disabled"
          @change="(words) => say(kind, words)"
        />
      </div>
    </InspectorSection>
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
