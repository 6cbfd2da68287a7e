<script setup lang="ts">
import { computed } from 'vue'
import { vHint } from '../../hints/hint.ts'
import type { Grip } from '../../../core/edit/resizeBox.ts'
import { pointOn } from '../../../core/score/hitTest.ts'
import type { VisualState } from '../../../core/score/sceneState.ts'

/**
 * Eight grips and a handle to turn, at the corners and sides of what was drawn. Drawn in screen pixels, whatever the
 * zoom.
 */
const props = defineProps<{ visual: VisualState; scale: number; stageWidthPx: number; isText: boolean }>()
defineEmits<{ begin: [event: PointerEvent, grip: Grip | 'turn'] }>()

const allGrips: (Grip & { cursor: string })[] = [
  { x: -1, y: -1, cursor: 'nwse-resize' },
  { x: 0, y: -1, cursor: 'ns-resize' },
  { x: 1, y: -1, cursor: 'nesw-resize' },
  { x: 1, y: 0, cursor: 'ew-resize' },
  { x: 1, y: 1, cursor: 'nwse-resize' },
  { x: 0, y: 1, cursor: 'ns-resize' },
  { x: -1, y: 1, cursor: 'nesw-resize' },
  { x: -1, y: 0, cursor: 'ew-resize' },
]
// Text is as high as its letters: only its corners and its width can be pulled.
const grips = computed(() => (props.isText ? allGrips.filter((grip) => grip.x !== 0) : allGrips))

const turnOutPx = 24
/**
 * Beside the part, where seldom anything stands: parts of an alert stand one above the other. At the right, or at the
 * left where the stage ends there.
 */
const turnAt = computed(() => {
  const right = at(1, 0.5, turnOutPx)
  return right.leftPx < props.stageWidthPx - 8 ? right : at(0, 0.5, -turnOutPx)
})

/** A point of the part on the screen, moved along its own horizontal by so many screen pixels. */
function at(xRatio: number, yRatio: number, outPx = 0): { leftPx: number; topPx: number } {
  const { matrix, widthPx, heightPx } = props.visual
  const [a, b] = matrix
  const { xPx, yPx } = pointOn(matrix, widthPx * xRatio, heightPx * yRatio)
  const along = Math.hypot(a, b) || 1
  return {
    leftPx: xPx * props.scale + (a / along) * outPx,
    topPx: yPx * props.scale + (b / along) * outPx,
  }
}
const styleAt = ({ leftPx, topPx }: { leftPx: number; topPx: number }) => ({ left: `${leftPx}px`, top: `${topPx}px` })
</script>

<template>
  <div class="pointer-events-none absolute inset-0">
    <span
      v-for="grip in grips"
      :key="`${grip.x}/${grip.y}`"
      data-grip
      class="pointer-events-auto absolute size-2.5 -translate-x-1/2 -translate-y-1/2 rounded-[2px] border border-sky bg-white"
      :style="{ ...styleAt(at((grip.x + 1) / 2, (grip.y + 1) / 2)), cursor: grip.cursor }"
      @pointerdown="$emit('begin', $event, { x: grip.x, y: grip.y })"
    />
    <span
      v-hint="'Turn (Alt: without steps)'"
      data-turn
      class="pointer-events-auto absolute size-3 -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full border-2 border-sky bg-white"
      :style="styleAt(turnAt)"
      @pointerdown="$emit('begin', $event, 'turn')"
    />
  </div>
</template>
