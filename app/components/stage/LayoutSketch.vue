<script setup lang="ts">
import { computed } from 'vue'
import { layoutPlans, type LayoutName, type Slot } from '../../../core/arrange/layouts.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'

/** A layout drawn small: the picture's place filled, the words' place as lines. */
const props = defineProps<{ layout: LayoutName; canvas: Canvas; isMirrored?: boolean }>()
const width = 64
const height = computed(() => Math.min(64, Math.round((width * props.canvas.heightPx) / props.canvas.widthPx)))
const boxOf = (slot: Slot) => ({
  x: (props.isMirrored ? 1 - slot.x - slot.width : slot.x) * width,
  y: slot.y * height.value,
  width: slot.width * width,
  height: slot.height * height.value,
})
const picture = computed(() => boxOf(layoutPlans[props.layout].picture))
const words = computed(() => boxOf(layoutPlans[props.layout].words))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" class="mx-auto mb-1 block w-16 rounded-xs bg-ink" aria-hidden="true">
    <rect v-bind="picture" rx="1.5" class="fill-[#6f86ab]" />
    <rect
      :x="words.x + words.width * 0.08"
      :y="words.y + words.height * 0.22"
      :width="words.width * 0.84"
      height="4"
      rx="1"
      class="fill-bolt"
    />
    <rect
      :x="words.x + words.width * 0.18"
      :y="words.y + words.height * 0.22 + 7"
      :width="words.width * 0.64"
      height="2.5"
      rx="1"
      class="fill-paper"
    />
  </svg>
</template>
