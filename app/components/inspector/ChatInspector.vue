<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import CheckRow from './CheckRow.vue'
import ChatFeeds from './ChatFeeds.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import NumberRow from './NumberRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'chat'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const edges = [
  { value: 'bottom', label: 'at the bottom' },
  { value: 'top', label: 'at the top' },
] as const
</script>

<template>
  <div class="space-y-2">
    <ChatFeeds
      :sources="part.sources"
      :disabled="disabled"
      @change="(sources) => edit('chats', (draft) => void (draft.sources = sources))"
    />
    <NumberRow
      label="The last"
      means="How many lines are kept"
      :value="part.most"
      unit="lines"
      :min="1"
      :max="50"
      :disabled="disabled"
      @change="(most) => edit('how many', (draft) => void (draft.most = most))"
    />
    <FieldRow label="The newest"
      ><ChoiceField
        label="The newest stands"
        :value="part.newest"
        :choices="edges"
        :disabled="disabled"
        @change="(newest) => edit('order', (draft) => void (draft.newest = newest))"
    /></FieldRow>
    <CheckRow
      label="Fades"
      words="after a while"
      :checked="part.fadesAfterS !== null"
      :disabled="disabled"
      @change="(fades) => edit('fading', (draft) => void (draft.fadesAfterS = fades ? 30 : null))"
    />
    <NumberRow
      v-if="part.fadesAfterS !== null"
      label="After"
      means="Fades after"
      :value="part.fadesAfterS"
      unit="s"
      :min="3"
      :max="3600"
      :disabled="disabled"
      @change="(s) => edit('fading', (draft) => void (draft.fadesAfterS = s))"
    />
    <CheckRow
      label="Marks"
      words="of host, helpers, supporters"
      :checked="part.hasMarks"
      :disabled="disabled"
      @change="(hasMarks) => edit('marks', (draft) => void (draft.hasMarks = hasMarks))"
    />
    <CheckRow
      label="Emotes"
      words="as pictures"
      :checked="part.hasEmotes"
      :disabled="disabled"
      @change="(hasEmotes) => edit('emotes', (draft) => void (draft.hasEmotes = hasEmotes))"
    />
    <CheckRow
      label="Names"
      words="in their own colours"
      :checked="part.hasOwnInks"
      :disabled="disabled"
      @change="(hasOwnInks) => edit('colours of names', (draft) => void (draft.hasOwnInks = hasOwnInks))"
    />
    <CheckRow
      label="Without"
      words="lines with blocked words"
      :checked="part.hidesBlocked"
      :disabled="disabled"
      @change="(hidesBlocked) => edit('blocked words', (draft) => void (draft.hidesBlocked = hidesBlocked))"
    />
    <NumberRow
      label="Long ones"
      means="Lines of text that one may take"
      :value="part.mostLines"
      unit="lines"
      :min="1"
      :max="12"
      :disabled="disabled"
      @change="(mostLines) => edit('long lines', (draft) => void (draft.mostLines = mostLines))"
    />
    <NumberRow
      label="Between"
      means="Between lines"
      :value="part.gapPx"
      unit="px"
      :min="0"
      :max="400"
      :disabled="disabled"
      @change="(gapPx) => edit('gap', (draft) => void (draft.gapPx = gapPx))"
    />
    <p class="text-faded">What a moderator removes in the chat is gone here at once. Commands are left out.</p>
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
