<script setup lang="ts">
import { computed, ref, toRef } from 'vue'
import type { Remark } from '../../../core/remarks/remark.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import { rulerTicks, type ScoreRow } from '../../../core/score/rows.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import ClipBar from './ClipBar.vue'
import LaneName from './LaneName.vue'
import ScoreRuler from './ScoreRuler.vue'
import TieLines from './TieLines.vue'
import { timeScale } from './timeScale.ts'
import { useClipDrag, type Settle } from './useClipDrag.ts'

const props = defineProps<{
  rows: readonly ScoreRow[]
  lengthMs: number
  tMs: number
  framesPerSecond: number
  remarks: readonly Remark[]
  canEdit: boolean
  settle: Settle
}>()
const emit = defineEmits<{ seek: [tMs: number] }>()

const room = useScoreRoomStore()
const view = useRoomViewStore()
const rowHeightPx = 30
const field = ref<HTMLElement>()
const ticks = computed(() => rulerTicks(props.lengthMs))
const scale = computed(() => timeScale(props.lengthMs))
const drag = useClipDrag({
  field,
  rows: toRef(props, 'rows'),
  scale,
  tMs: toRef(props, 'tMs'),
  lengthMs: toRef(props, 'lengthMs'),
  canEdit: toRef(props, 'canEdit'),
  rowHeightPx,
  settle: (composition) => props.settle(composition),
})
const draft = useDraftStore()
function mute(partId: string, isMuted: boolean): void {
  if (!room.address) return
  draft.edit(
    editParts(room.address, [partId], isMuted ? 'its sound muted' : 'its sound heard', (part) => {
      if (part.kind === 'picture') part.ownSound.isMuted = isMuted
    }),
  )
}
const remarksOf = (partId: string) => props.remarks.filter((remark) => remark.partId === partId)
</script>

<template>
  <section
    class="grid min-h-0 grid-cols-[11rem_minmax(0,1fr)] overflow-y-auto border-t border-seam bg-ridge"
    aria-label="Score"
  >
    <div
      class="sticky top-0 z-20 flex h-6 items-center justify-between border-r border-b border-seam bg-ridge pr-2 pl-4 text-mist"
    >
      Score
      <button v-if="view.loop" type="button" class="link text-2xs" @click="view.loop = null">no loop</button>
    </div>
    <ScoreRuler
      v-model:loop="view.loop"
      class="sticky top-0 z-20"
      :length-ms="lengthMs"
      :t-ms="tMs"
      :scale="scale"
      :frames-per-second="framesPerSecond"
      @seek="emit('seek', $event)"
    />
    <div class="border-r border-seam">
      <LaneName
        v-for="row in rows"
        :key="row.id"
        :row="row"
        :remarks="row.ownSound ? [] : remarksOf(row.partId)"
        :is-chosen="room.partIds.includes(row.partId)"
        :can-edit="canEdit"
        :style="{ height: `${rowHeightPx}px` }"
        @choose="(event) => room.select(row.partId, event.shiftKey || event.ctrlKey || event.metaKey)"
        @mute="(isMuted) => mute(row.partId, isMuted)"
      />
    </div>
    <div ref="field" class="relative overflow-hidden">
      <div
        v-for="tick in ticks"
        :key="tick.atMs"
        class="pointer-events-none absolute inset-y-0 w-px bg-seam/60"
        :style="{ left: scale.at(tick.atMs) }"
      />
      <div
        v-if="view.loop"
        class="pointer-events-none absolute inset-y-0 bg-bolt/8"
        :style="{ left: scale.at(view.loop.fromMs), width: scale.at(view.loop.toMs - view.loop.fromMs) }"
      />
      <div class="pointer-events-none absolute inset-y-0 right-0 bg-deep/50" :style="{ left: scale.at(lengthMs) }" />
      <div
        v-for="(row, index) in rows"
        :key="row.id"
        class="relative border-b border-seam"
        :style="{ height: `${rowHeightPx}px` }"
      >
        <ClipBar
          :row="row"
          :scale="scale"
          :is-selected="room.partIds.includes(row.partId)"
          :can-edit="canEdit"
          @drag="(event, handle) => drag.beginDrag(event, row, handle)"
          @tie="(event, which) => drag.beginTie(event, row, index, which)"
          @untie="(which) => drag.untie(row, which)"
        />
      </div>
      <TieLines :rows="rows" :scale="scale" :row-height-px="rowHeightPx" :drawn="drag.tie.value" />
      <div
        class="pointer-events-none absolute inset-y-0 w-0.5 -translate-x-1/2 bg-bolt"
        :style="{ left: scale.at(tMs) }"
      />
    </div>
  </section>
</template>
