<script setup lang="ts">
import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine'
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { attachClosestEdge, extractClosestEdge, type Edge } from '@atlaskit/pragmatic-drag-and-drop-hitbox/closest-edge'
import { onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import type { LaidStep } from '../../../core/sheet/laySheet.ts'
import { seconds } from '../../format/time.ts'

/** A step on the time axis. Let go at the left of another it begins with that, at the right after it. */
const props = defineProps<{
  laid: LaidStep
  words: string
  /** Of the axis, in milliseconds. */
  axisMs: number
  isChosen: boolean
  canEdit: boolean
}>()
const emit = defineEmits<{
  choose: []
  dropped: [from: string, how: 'with' | 'after']
  delay: [byMs: number]
  remove: []
}>()
const bar = useTemplateRef('bar')
const edge = ref<Edge | null>(null)
const key = () => props.laid.path.join('.')
let end = () => {}
onMounted(() => {
  const element = bar.value
  if (!element) return
  end = combine(
    draggable({ element, canDrag: () => props.canEdit, getInitialData: () => ({ step: key() }) }),
    dropTargetForElements({
      element,
      canDrop: ({ source }) => typeof source.data.step === 'string' && source.data.step !== key(),
      getData: ({ input, element: target }) =>
        attachClosestEdge({}, { input, element: target, allowedEdges: ['left', 'right'] }),
      onDrag: ({ self }) => (edge.value = extractClosestEdge(self.data)),
      onDragLeave: () => (edge.value = null),
      onDrop({ source, self }) {
        edge.value = null
        emit('dropped', String(source.data.step), extractClosestEdge(self.data) === 'left' ? 'with' : 'after')
      },
    }),
  )
})
onBeforeUnmount(() => end())

const looks = {
  play: 'bg-glow/35 border-glow/60',
  sound: 'bg-glow/15 border-glow/40',
  scene: 'bg-clip border-clip',
  source: 'bg-clip border-clip',
  text: 'bg-clip-dim border-clip',
} as const
const look = () =>
  props.laid.isFaulty
    ? 'border-wrong bg-wrong/20'
    : ((looks as Record<string, string>)[props.laid.step.do] ?? 'bg-fine/20 border-fine/50')
const percent = (ms: number) => `${(ms / props.axisMs) * 100}%`
const back = () => 'forMs' in props.laid.step && props.laid.step.forMs !== null
</script>

<template>
  <li class="relative h-8">
    <button
      ref="bar"
      type="button"
      class="absolute inset-y-0.5 flex items-center rounded-sm border text-left text-xs"
      :class="[look(), isChosen ? 'outline-2 outline-offset-1 outline-sky' : '']"
      :style="{ left: percent(laid.atMs), width: `max(0.75rem, ${percent(laid.untilMs - laid.atMs)})` }"
      :aria-pressed="isChosen"
      :aria-label="`${words}, from ${seconds(laid.atMs)} s to ${seconds(laid.untilMs)} s${laid.isFaulty ? ', cannot be done' : ''}`"
      @click="emit('choose')"
      @keydown.right.prevent="emit('delay', $event.shiftKey ? 1000 : 100)"
      @keydown.left.prevent="emit('delay', $event.shiftKey ? -1000 : -100)"
      @keydown.delete.prevent="emit('remove')"
    >
      <span
        class="pointer-events-none absolute left-1.5 truncate whitespace-nowrap"
        :style="{
          maxWidth: `calc(${percent(axisMs)} * ${axisMs / Math.max(laid.untilMs - laid.atMs, axisMs * 0.03)})`,
        }"
        >{{ words }}</span
      >
      <span v-if="back() && (laid.untilMs - laid.atMs) / axisMs > 0.45" class="ml-auto pr-1.5 text-mist"
        >then back</span
      >
      <span
        v-if="edge"
        class="absolute inset-y-0 w-1 bg-sky"
        :class="edge === 'left' ? '-left-1' : '-right-1'"
        aria-hidden="true"
      />
    </button>
  </li>
</template>
