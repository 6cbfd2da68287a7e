<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/parts/part.ts'
import CheckRow from './CheckRow.vue'
import TextSection from './TextSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'message'>; look: Look; disabled: boolean }>()
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
  </div>
</template>
