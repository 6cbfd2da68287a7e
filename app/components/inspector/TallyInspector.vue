<script setup lang="ts">
import { eventKinds } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import TypedField from '../fields/TypedField.vue'
import KindsField from './KindsField.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import { countVariables, periodChoices } from './liveVariables.ts'
import LiveWords from './LiveWords.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'tally'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const commandOf = (typed: string) => typed.trim().replace(/^[^\p{L}\p{N}]+/u, '') || null
</script>

<template>
  <div class="space-y-2">
    <KindsField
      label="What is counted"
      :chosen="part.kinds"
      :offered="eventKinds"
      :disabled="disabled"
      @change="(kinds) => edit('kinds', (draft) => void (draft.kinds = kinds))"
    />
    <FieldRow v-if="part.kinds.includes('chatCommand')" label="Only"
      ><TypedField
        class="field"
        :value="part.command ? `!${part.command}` : ''"
        placeholder="every command"
        aria-label="Only the command"
        maxlength="41"
        :disabled="disabled"
        @change="(typed) => edit('command', (draft) => void (draft.command = commandOf(typed)))"
    /></FieldRow>
    <FieldRow label="Since"
      ><ChoiceField
        label="Since"
        :value="part.since"
        :choices="periodChoices"
        :disabled="disabled"
        @change="(since) => edit('since', (draft) => void (draft.since = since))"
    /></FieldRow>
    <LiveWords
      title="Says"
      :value="part.says"
      :label="`Words of ${part.name}`"
      :variables="countVariables"
      :disabled="disabled"
      @change="(says) => edit('words', (draft) => void (draft.says = says))"
    />
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
