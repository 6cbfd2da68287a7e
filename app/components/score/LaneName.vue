<script setup lang="ts">
import { CircleAlert, CornerDownRight, Info, Lock, Volume2, VolumeX } from '@lucide/vue'
import { computed } from 'vue'
import type { Remark } from '../../../core/remarks/remark.ts'
import type { ScoreRow } from '../../../core/score/rows.ts'
import { seconds } from '../../format/time.ts'
import { partKindLooks } from '../../kinds/partKinds.ts'

/** The name of a lane: chooses its part. The sound of a video is muted and kept here, too. */
const props = defineProps<{ row: ScoreRow; remarks: readonly Remark[]; isChosen: boolean; canEdit: boolean }>()
const emit = defineEmits<{ choose: [event: MouseEvent]; mute: [isMuted: boolean] }>()
const isWrong = computed(() => props.remarks.some((remark) => remark.level === 'wrong'))
const about = computed(() =>
  [
    `${seconds(props.row.startMs)} to ${seconds(props.row.endMs)} seconds.`,
    ...props.remarks.map((remark) => remark.words),
  ].join(' '),
)
const isMuted = computed(() => props.row.caption === 'muted')
</script>

<template>
  <div
    class="flex w-full items-stretch border-b border-seam"
    :class="isChosen ? 'bg-clip-dim text-snow' : 'text-snow/90 hover:bg-night/40'"
  >
    <button
      type="button"
      class="flex min-w-0 flex-1 items-center gap-2 text-left -outline-offset-2"
      :class="row.ownSound ? 'pl-6' : 'pr-2 pl-4'"
      :aria-pressed="isChosen"
      :aria-label="row.name"
      :aria-description="about"
      @click="emit('choose', $event)"
    >
      <component
        :is="row.ownSound ? CornerDownRight : partKindLooks[row.kind].mark"
        :size="14"
        class="shrink-0 text-mist"
        aria-hidden="true"
      /><span class="min-w-0 flex-1 truncate" :class="row.isOff ? 'line-through opacity-70' : ''">{{
        row.ownSound ? 'its sound' : row.name
      }}</span>
      <template v-if="!row.ownSound">
        <Lock v-if="row.isLocked" :size="12" class="shrink-0 text-mist" aria-label="locked" />
        <span
          v-if="remarks.length > 0"
          class="flex shrink-0 items-center gap-0.5"
          :class="isWrong ? 'text-wrong' : 'text-mist'"
          :title="remarks.map((remark) => remark.words).join('\n')"
        >
          <component :is="isWrong ? CircleAlert : Info" :size="14" aria-hidden="true" />
        </span>
      </template>
    </button>
    <button
      v-if="row.ownSound"
      type="button"
      class="flex w-8 shrink-0 items-center justify-center -outline-offset-2 hover:text-snow"
      :class="isMuted ? 'text-mist' : 'text-snow'"
      :aria-pressed="isMuted"
      :aria-label="`Mute the ${row.name.charAt(0).toLowerCase()}${row.name.slice(1)}`"
      :title="isMuted ? 'Not heard: let it be heard' : 'Heard: mute it'"
      :disabled="!canEdit"
      @click="emit('mute', !isMuted)"
    >
      <component :is="isMuted ? VolumeX : Volume2" :size="14" aria-hidden="true" />
    </button>
  </div>
</template>
