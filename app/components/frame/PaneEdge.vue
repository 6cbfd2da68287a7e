<script setup lang="ts">
import { ref } from 'vue'
import type { PaneSize } from '../../stores/panes.ts'

/**
 * The edge at which a pane is made larger or smaller: the left one of a pane that stands right, or the upper one of a pane that
 * stands below. Dragged, or moved by arrow keys; a double click, or Enter, gives it its usual size.
 */
const props = defineProps<{ name: string; size: PaneSize; side: 'left' | 'top' }>()
const emit = defineEmits<{ change: [px: number | null] }>()
const stepPx = 16
const isDragging = ref(false)
let from = { px: 0, at: 0 }

const along = (event: PointerEvent) => (props.side === 'left' ? event.clientX : event.clientY)
const bounded = (px: number) => Math.min(props.size.mostPx, Math.max(props.size.leastPx, px))

/** How large the pane really is: with less in it than it has room for, it may be smaller than it is allowed to be. */
function sizeNow({ currentTarget }: Event): number {
  const pane = (currentTarget as HTMLElement).parentElement?.getBoundingClientRect()
  return (props.side === 'left' ? pane?.width : pane?.height) ?? props.size.px
}
function start(event: PointerEvent): void {
  if (event.button !== 0) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  from = { px: sizeNow(event), at: along(event) }
  isDragging.value = true
}
function drag(event: PointerEvent): void {
  if (isDragging.value) emit('change', bounded(from.px + from.at - along(event)))
}
function press(event: KeyboardEvent): void {
  const [larger, smaller] = props.side === 'left' ? ['ArrowLeft', 'ArrowRight'] : ['ArrowUp', 'ArrowDown']
  const to: Record<string, number | null> = {
    [larger]: sizeNow(event) + stepPx,
    [smaller]: sizeNow(event) - stepPx,
    Home: props.size.leastPx,
    End: props.size.mostPx,
    Enter: null,
  }
  const px = to[event.key]
  if (px === undefined) return
  event.preventDefault()
  // Keys of the room mean something else.
  event.stopPropagation()
  emit('change', px === null ? null : bounded(px))
}
</script>

<template>
  <div
    role="separator"
    tabindex="0"
    class="group absolute z-30 touch-none focus:outline-none"
    :class="side === 'left' ? 'inset-y-0 -left-1 w-2 cursor-col-resize' : 'inset-x-0 -top-1 h-2 cursor-row-resize'"
    :aria-label="name"
    :aria-orientation="side === 'left' ? 'vertical' : 'horizontal'"
    :aria-valuenow="Math.round(size.px)"
    :aria-valuemin="size.leastPx"
    :aria-valuemax="Math.round(size.mostPx)"
    :aria-valuetext="`${Math.round(size.px)} pixels`"
    :title="`${name}: drag it; double-click for its usual size`"
    @pointerdown="start"
    @pointermove="drag"
    @pointerup="isDragging = false"
    @pointercancel="isDragging = false"
    @dblclick="emit('change', null)"
    @keydown="press"
  >
    <span
      class="absolute bg-sky transition-opacity"
      :class="[
        side === 'left' ? 'inset-y-0 left-[3px] w-0.5' : 'inset-x-0 top-[3px] h-0.5',
        isDragging ? 'opacity-100' : 'opacity-0 group-hover:opacity-70 group-focus-visible:opacity-100',
      ]"
      aria-hidden="true"
    />
  </div>
</template>
