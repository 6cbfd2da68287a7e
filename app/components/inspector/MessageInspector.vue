<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { Part, PartOf } from '../../../core/score/parts/part.ts'
import CheckRow from './CheckRow.vue'
import LettersSection from './LettersSection.vue'
import ReadAlongSection from './ReadAlongSection.vue'
import TextSection from './TextSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'message'>; look: Look; parts: readonly Part[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
</script>

<template>
  <div class="space-y-2">
    <p class="text-faded">Shows what the viewer wrote. Where there is no message it takes no room.</p>
    <CheckRow
      label="Emotes"
      words="drawn as pictures"
      :checked="part.showsEmotes"
      :disabled="disabled"
      @change="(showsEmotes) => edit('emotes', (draft) => void (draft.showsEmotes = showsEmotes))"
    />
    <TextSection :part="part" :look="look" :disabled="disabled" />
    <LettersSection :part="part" :disabled="disabled" />
    <ReadAlongSection
      :part="part"
      :look="look"
      :has-voice="parts.some(({ kind }) => kind === 'voice')"
      :disabled="disabled"
    />
  </div>
</template>
