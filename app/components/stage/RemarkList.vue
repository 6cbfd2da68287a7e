<script setup lang="ts">
import { CircleAlert, Info } from '@lucide/vue'
import { applyRemedy } from '../../../core/edit/applyRemedy.ts'
import { silenceRemark } from '../../../core/edit/silenceRemark.ts'
import type { Remark } from '../../../core/remarks/remark.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

defineProps<{ remarks: readonly Remark[]; canEdit: boolean; showsPart?: boolean }>()
const draft = useDraftStore()
const room = useScoreRoomStore()

function remedy({ remedy: advised }: Remark): void {
  if (room.address && advised) draft.edit(applyRemedy(room.address, advised))
}
function silence({ type, partId }: Remark): void {
  if (room.address) draft.edit(silenceRemark(room.address, { type, partId }))
}
</script>

<template>
  <ul class="space-y-2" aria-label="Remarks">
    <li v-for="remark in remarks" :key="`${remark.type}/${remark.partId}/${remark.words}`" class="flex gap-2">
      <component
        :is="remark.level === 'wrong' ? CircleAlert : Info"
        :size="15"
        class="mt-0.5 shrink-0"
        :class="remark.level === 'wrong' ? 'text-brick' : 'text-faded'"
        :aria-label="remark.level === 'wrong' ? 'Wrong' : 'Advice'"
      />
      <div class="min-w-0">
        <p>{{ remark.words }}</p>
        <p v-if="canEdit || showsPart" class="flex flex-wrap gap-x-3">
          <button
            v-if="canEdit && remark.remedy"
            type="button"
            class="link font-medium text-deep-sky"
            @click="remedy(remark)"
          >
            {{ remark.remedy.label }}
          </button>
          <button
            v-if="showsPart && remark.partId"
            type="button"
            class="link text-deep-sky"
            @click="room.select(remark.partId)"
          >
            Show it
          </button>
          <button
            v-if="canEdit"
            type="button"
            class="link text-faded"
            title="Do not remark on this again"
            @click="silence(remark)"
          >
            It is meant so
          </button>
        </p>
      </div>
    </li>
  </ul>
</template>
