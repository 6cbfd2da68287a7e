<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { removePart } from '../../../core/edit/removePart.ts'
import { isVisiblePart, type PartKind } from '../../../core/parts/part.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import BackdropInspector from './BackdropInspector.vue'
import LineInspector from './LineInspector.vue'
import MotionSection from './MotionSection.vue'
import PictureInspector from './PictureInspector.vue'
import PlaceSection from './PlaceSection.vue'
import SoundInspector from './SoundInspector.vue'
import TimingSection from './TimingSection.vue'

defineProps<{ canEdit: boolean }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const parts = computed(() => room.variation?.composition.parts ?? [])
const kindNames: Record<PartKind, string> = { picture: 'picture', line: 'line of text', sound: 'sound', backdrop: 'backdrop' }

function remove(): void {
  if (!room.address || !room.part) return
  draft.edit(removePart(room.address, room.part.id))
  room.partId = null
}
</script>

<template>
  <aside class="on-paper min-h-0 overflow-y-auto border-l border-rule px-4 py-3" aria-label="Inspector">
    <p v-if="draft.refusal" role="alert" class="mb-2 text-brick">Not possible: {{ draft.refusal }}</p>
    <div v-if="room.part && draft.document && room.alert" :key="`${room.variation?.id}/${room.part.id}`" class="space-y-3">
      <div class="flex items-baseline justify-between gap-2">
        <h2 class="truncate font-display text-lg font-semibold">{{ room.part.name }}</h2>
        <span class="flex shrink-0 items-center gap-2 text-faded">{{ kindNames[room.part.kind] }}
          <button v-if="canEdit" type="button" class="rounded-sm p-1 hover:bg-rule/60" :aria-label="`Remove ${room.part.name}; can be undone`" @click="remove"><Trash2 :size="15" aria-hidden="true" /></button>
        </span>
      </div>
      <LineInspector v-if="room.part.kind === 'line'" :part="room.part" :look="draft.document.look" :kind="room.alert.kind" :disabled="!canEdit" />
      <PictureInspector v-else-if="room.part.kind === 'picture'" :part="room.part" :disabled="!canEdit" />
      <SoundInspector v-else-if="room.part.kind === 'sound'" :part="room.part" :disabled="!canEdit" />
      <BackdropInspector v-else :part="room.part" :parts="parts" :look="draft.document.look" :disabled="!canEdit" />
      <MotionSection v-if="isVisiblePart(room.part)" :part="room.part" :disabled="!canEdit" />
      <TimingSection :part="room.part" :parts="parts" :disabled="!canEdit" />
      <PlaceSection v-if="isVisiblePart(room.part)" :part="room.part" :disabled="!canEdit" :is-placed="!(room.part.kind === 'backdrop' && room.part.hugs.length > 0)" />
    </div>
    <div v-else class="space-y-3 pt-1">
      <h2 class="font-display text-lg font-semibold">Nothing selected</h2>
      <p class="text-faded">Choose a part on the stage or a lane of the score to change its words, file, timing and place. Space plays the alert from the start.</p>
      <ul class="space-y-1">
        <li v-for="part in parts" :key="part.id"><button type="button" class="link text-deep-sky" @click="room.partId = part.id">{{ part.name }}</button></li>
      </ul>
    </div>
  </aside>
</template>
