<script setup lang="ts">
import { computed, ref, toRef, watch } from 'vue'
import type { BoardState } from '../../../core/board/boardStates.ts'
import type { BoxDocument } from '../../../core/composition/box.ts'
import {
  boardStandsMs,
  playedMs,
  redrawOn,
  restOf,
  useBoardPlay,
  useBoardScore,
} from '../../composables/useBoardScore.ts'
import { useCanvasScale } from '../../composables/useCanvasScale.ts'
import { useStage } from '../../composables/useStage.ts'

/** A board in a state, small; a change is played while it is looked at. */
const props = defineProps<{ document: BoxDocument; state: BoardState; isMoving?: boolean }>()
const room = ref<HTMLElement>()
const host = ref<HTMLElement>()
const { scale, size } = useCanvasScale(
  room,
  toRef(() => props.document.canvas),
)
const { score, wants } = useBoardScore(toRef(() => props.document))
const { board, told } = useBoardPlay(
  wants,
  toRef(() => props.state),
)
const restMs = computed(() => restOf(props.state))
const stage = useStage(host, score, {
  isHeard: ref(false),
  restingMs: () => restMs.value,
  board,
  untilMs: computed(() => boardStandsMs + playedMs[props.state]),
})
redrawOn(told, stage.redraw)
watch(
  () => props.isMoving,
  (isMoving) => (isMoving ? void stage.play(boardStandsMs) : stage.stop()),
)
const style = computed(() => ({ width: `${size.value.widthPx}px`, height: `${size.value.heightPx}px` }))
</script>

<template>
  <div ref="room" class="grid size-full place-items-center">
    <div class="relative overflow-hidden bg-stage outline-1 outline-seam" :style="style">
      <div
        ref="host"
        inert
        aria-hidden="true"
        class="absolute top-0 left-0 origin-top-left"
        :style="{ transform: `scale(${scale})` }"
      />
    </div>
  </div>
</template>
