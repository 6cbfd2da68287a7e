<script setup lang="ts">
import type { Picture } from '../../../core/score/parts/picture/schema.ts'
import type { Sound } from '../../../core/score/parts/sound/schema.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import CheckRow from './CheckRow.vue'
import { usePartEdit } from './usePartEdit.ts'

/**
 * Whether what the viewer chose takes the place of a part's file; only where the alert offers something of its kind.
 */
const props = defineProps<{ part: Picture | Sound; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const room = useScoreRoomStore()
</script>

<template>
  <CheckRow
    v-if="room.alert?.offer?.kind === part.kind"
    label="Instead"
    words="what the viewer chose"
    :checked="part.takesChoice"
    :disabled="disabled"
    @change="(takesChoice) => edit('what viewers choose', (draft) => void (draft.takesChoice = takesChoice))"
  />
</template>
