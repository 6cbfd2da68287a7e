<script setup lang="ts">
import { computed } from 'vue'
import type { ClipHandle } from '../../../core/edit/clipEdits.ts'
import type { ScoreRow } from '../../../core/score/rows.ts'
import { seconds } from '../../format/time.ts'
import { partKindLooks } from '../../kinds/partKinds.ts'
import { useMediaStore } from '../../stores/media.ts'
import ClipFilm from './ClipFilm.vue'
import ClipVoice from './ClipVoice.vue'
import ClipWave from './ClipWave.vue'
import type { TimeScale } from './timeScale.ts'

const props = defineProps<{ row: ScoreRow; scale: TimeScale; isSelected: boolean; canEdit: boolean }>()
const emit = defineEmits<{
  drag: [event: PointerEvent, handle: ClipHandle]
  tie: [event: PointerEvent, which: 'start' | 'end']
  untie: [which: 'start' | 'end']
}>()

const lengthMs = computed(() => Math.max(1, props.row.endMs - props.row.startMs))
const share = (ms: number) => `${(ms / lengthMs.value) * 100}%`
const media = useMediaStore()
const waveform = computed(() => (props.row.mediaId ? media.measuredSounds.get(props.row.mediaId)?.waveform : undefined))
</script>

<template>
  <div
    class="absolute inset-y-1"
    :style="{ left: scale.at(row.startMs), width: `max(6px, ${scale.at(lengthMs)})` }"
    :data-clip="row.id"
  >
    <div
      class="absolute inset-0 flex items-center overflow-hidden rounded-sm text-left select-none"
      :class="[
        partKindLooks[row.kind].clip,
        isSelected ? 'outline-2 outline-sky' : '',
        row.isOff ? 'opacity-45' : '',
        canEdit && !row.isLocked ? 'cursor-grab' : '',
      ]"
      :title="`${row.name}: ${seconds(row.startMs)} to ${seconds(row.endMs)} s`"
      @pointerdown="emit('drag', $event, 'whole')"
    >
      <ClipVoice v-if="row.kind === 'voice'" :part-id="row.partId" :length-ms="lengthMs" />
      <ClipWave
        v-else-if="waveform && row.isHeard"
        :waveform="waveform"
        :length-ms="lengthMs"
        :own-sound="row.ownSound"
        class="absolute inset-0 size-full"
      />
      <ClipFilm
        v-else-if="row.kind === 'picture' && row.mediaId"
        :media-id="row.mediaId"
        class="absolute inset-0 size-full"
      />
      <span class="hatch absolute inset-y-0 left-0" :style="{ width: share(row.entranceMs) }" />
      <span class="hatch absolute inset-y-0 right-0" :style="{ width: share(row.exitMs) }" />
      <span
        v-if="row.isCutOff"
        class="absolute inset-y-0 right-0 w-1.5 bg-wrong"
        title="Cut off by the end of the alert"
      />
      <span
        class="relative truncate px-2"
        :class="[
          row.isHeard ? '[text-shadow:0_1px_2px_rgb(0_0_0/0.55)]' : 'pointer-events-none',
          isSelected && canEdit ? 'pl-6' : '',
        ]"
        :style="{ marginLeft: share(row.entranceMs) }"
        >{{ row.caption }}</span
      >
      <span
        v-for="ms in row.keyedMs"
        :key="ms"
        class="pointer-events-none absolute bottom-0.5 size-1.5 -translate-x-1/2 rotate-45 bg-bolt"
        :style="{ left: share(ms - row.startMs) }"
      />
    </div>
    <template v-if="canEdit && !row.isLocked">
      <span
        v-if="row.entranceMs > 0"
        data-handle="entrance"
        class="absolute inset-y-0 w-1.5 -translate-x-1/2 cursor-ew-resize"
        :style="{ left: share(row.entranceMs) }"
        title="How long it enters"
        @pointerdown="emit('drag', $event, 'entrance')"
      />
      <span
        v-if="row.exitMs > 0"
        data-handle="exit"
        class="absolute inset-y-0 w-1.5 -translate-x-1/2 cursor-ew-resize"
        :style="{ left: `calc(100% - ${share(row.exitMs)})` }"
        title="How long it leaves"
        @pointerdown="emit('drag', $event, 'exit')"
      />
      <span
        data-handle="start"
        class="absolute inset-y-0 -left-1 w-2.5 cursor-ew-resize"
        title="Start"
        @pointerdown="emit('drag', $event, 'start')"
      />
      <span
        data-handle="end"
        class="absolute inset-y-0 -right-1 w-2.5 cursor-ew-resize"
        title="End"
        @pointerdown="emit('drag', $event, 'end')"
      />
      <template v-if="isSelected">
        <span
          data-tie="start"
          class="absolute top-1/2 left-3 size-2.5 -translate-x-1/2 -translate-y-1/2 cursor-crosshair rounded-full border-2 border-sky bg-ridge"
          title="Drag to another clip’s edge to tie the start to it; double-click unties it"
          @pointerdown="emit('tie', $event, 'start')"
          @dblclick="emit('untie', 'start')"
        />
        <span
          data-tie="end"
          class="absolute top-1/2 right-1 size-2.5 -translate-x-1/2 -translate-y-1/2 cursor-crosshair rounded-full border-2 border-sky bg-ridge"
          title="Drag to another clip’s edge to tie the end to it; double-click unties it"
          @pointerdown="emit('tie', $event, 'end')"
          @dblclick="emit('untie', 'end')"
        />
      </template>
    </template>
  </div>
</template>
