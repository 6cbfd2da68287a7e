<script setup lang="ts">
import { moneyKinds } from '../../../core/events/moneyKinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import CheckRow from './CheckRow.vue'
import KindsField from './KindsField.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import { periodChoices } from './liveVariables.ts'
import NumberRow from './NumberRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'top'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
</script>

<template>
  <div class="space-y-2">
    <KindsField
      label="What counts"
      :chosen="part.kinds"
      :offered="moneyKinds"
      :disabled="disabled"
      @change="(kinds) => edit('kinds', (draft) => void (draft.kinds = kinds))"
    />
    <FieldRow label="Since"
      ><ChoiceField
        label="Since"
        :value="part.since"
        :choices="periodChoices"
        :disabled="disabled"
        @change="(since) => edit('since', (draft) => void (draft.since = since))"
    /></FieldRow>
    <NumberRow
      label="The first"
      means="How many"
      :value="part.most"
      unit="rows"
      :min="1"
      :max="20"
      :disabled="disabled"
      @change="(most) => edit('how many', (draft) => void (draft.most = most))"
    />
    <CheckRow
      label="Places"
      words="1, 2, 3 before the names"
      :checked="part.hasRanks"
      :disabled="disabled"
      @change="(hasRanks) => edit('places', (draft) => void (draft.hasRanks = hasRanks))"
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
    <p class="text-faded">Several currencies are added up by the rates. What was given back and tests do not count.</p>
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
