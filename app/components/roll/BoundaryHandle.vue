<script setup lang="ts">
import { computed, ref } from 'vue'
import type { RuleField } from '../../../core/rules/fields.ts'
import type { AxisScale } from './axisScale.ts'
import { niceStep, niceValue } from './niceStep.ts'

/**
 * A boundary between two stretches of the axis that can be dragged or moved by arrow keys. Nothing changes until it is
 * let go.
 */
const props = defineProps<{
  at: number
  range: { first: number; last: number }
  scale: AxisScale
  type: RuleField['type']
  words: (value: number) => string
  label: string
}>()
const emit = defineEmits<{ move: [to: number] }>()
const dragged = ref<number | null>(null)
const shown = computed(() => dragged.value ?? props.at)

function valueUnder(event: PointerEvent): number {
  const track = (event.currentTarget as HTMLElement).parentElement?.getBoundingClientRect()
  const percent = track ? ((event.clientX - track.left) / track.width) * 100 : 0
  return niceValue(props.type, props.scale.valueAt(percent), props.range)
}
function grip(event: PointerEvent): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  dragged.value = props.at
}
function drag(event: PointerEvent): void {
  if (dragged.value !== null) dragged.value = valueUnder(event)
}
function letGo(): void {
  const to = dragged.value
  dragged.value = null
  if (to !== null && to !== props.at) emit('move', to)
}
function step(direction: -1 | 1, times: number): void {
  const by = niceStep(props.type, direction > 0 ? props.at : props.at - 1) * times
  // Onto the steps first, where it does not lie on one.
  const to = (direction > 0 ? Math.floor(props.at / by) + 1 : Math.ceil(props.at / by) - 1) * by
  const kept = Math.min(props.range.last, Math.max(props.range.first, to))
  if (kept !== props.at) emit('move', kept)
}
</script>

<template>
  <div
    class="group absolute inset-y-0 z-10 -ml-1.5 w-3 cursor-ew-resize touch-none rounded-xs focus-visible:outline-2 focus-visible:outline-deep-sky"
    :style="{ left: `${scale.at(shown)}%` }"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuenow="shown"
    :aria-valuemin="range.first"
    :aria-valuemax="range.last"
    :aria-valuetext="words(shown)"
    @pointerdown.prevent.stop="grip"
    @pointermove="drag"
    @pointerup="letGo"
    @pointercancel="dragged = null"
    @keydown.right.prevent.stop="step(1, 1)"
    @keydown.up.prevent.stop="step(1, 1)"
    @keydown.left.prevent.stop="step(-1, 1)"
    @keydown.down.prevent.stop="step(-1, 1)"
    @keydown.page-up.prevent.stop="step(1, 10)"
    @keydown.page-down.prevent.stop="step(-1, 10)"
  >
    <span
      class="pointer-events-none absolute left-1/2 w-0.5 -translate-x-1/2 group-hover:inset-y-0 group-hover:bg-deep-sky group-focus-visible:inset-y-0 group-focus-visible:bg-deep-sky"
      :class="dragged === null ? 'inset-y-1.5 bg-faded' : 'inset-y-0 bg-deep-sky'"
    />
    <span
      v-if="dragged !== null"
      class="pointer-events-none absolute top-full left-1/2 z-20 -translate-x-1/2 rounded-xs bg-ink px-1.5 font-mono text-2xs whitespace-nowrap text-paper"
      >{{ words(shown) }}</span
    >
  </div>
</template>
