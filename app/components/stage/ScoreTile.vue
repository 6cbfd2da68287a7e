<script setup lang="ts">
import { computed, ref, toRef, watch } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import type { PreparedScore } from '../../../player/preparedScore.ts'
import { restingMs } from '../../../core/score/restingMs.ts'
import { useCanvasScale } from '../../composables/useCanvasScale.ts'
import { useStage } from '../../composables/useStage.ts'

/** A score as a still (at its resting moment, or at a given one) that moves, without sound, while it is looked at. */
const props = defineProps<{ score: ResolvedScore | null; canvas: Canvas; isMoving: boolean; atMs?: number | null }>()
const emit = defineEmits<{ ended: []; prepared: [score: PreparedScore] }>()

const room = ref<HTMLElement>()
const host = ref<HTMLElement>()
const { scale, size } = useCanvasScale(room, toRef(props, 'canvas'))
const stage = useStage(host, toRef(props, 'score'), { isHeard: ref(false), restingMs })
const style = computed(() => ({ width: `${size.value.widthPx}px`, height: `${size.value.heightPx}px` }))

watch(
  () => props.isMoving,
  (isMoving) => (isMoving ? void stage.play() : stage.stop()),
)
watch(
  () => [props.atMs, stage.prepared.value] as const,
  ([atMs]) => typeof atMs === 'number' && stage.seek(atMs),
)
watch(stage.prepared, (prepared) => {
  if (!prepared) return
  emit('prepared', prepared)
  // What is looked at already moves as soon as it can.
  if (props.isMoving && !stage.isPlaying.value) void stage.play()
})
watch(stage.isPlaying, (isPlaying) => {
  if (!isPlaying && props.isMoving) emit('ended')
})
</script>

<template>
  <div ref="room" class="grid size-full place-items-center">
    <div class="relative overflow-hidden bg-stage outline-1 outline-seam" :style="style">
      <div ref="host" class="absolute top-0 left-0 origin-top-left" :style="{ transform: `scale(${scale})` }" />
    </div>
  </div>
</template>
