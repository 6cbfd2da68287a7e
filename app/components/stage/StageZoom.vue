<script setup lang="ts">
import { Expand, Maximize, Minimize2, ZoomIn, ZoomOut } from '@lucide/vue'
import { useRoomViewStore } from '../../stores/roomView.ts'

defineProps<{ shownPercent: number }>()
const view = useRoomViewStore()
const classes = 'grid size-6 place-items-center rounded-sm text-mist hover:bg-ridge hover:text-snow'
</script>

<template>
  <div class="flex items-center gap-0.5 rounded-sm bg-deep/85 px-0.5" role="group" aria-label="Zoom of the stage">
    <button type="button" :class="classes" aria-label="Smaller" title="Smaller (Ctrl −)" @click="view.zoomBy(1 / 1.25)">
      <ZoomOut :size="14" aria-hidden="true" />
    </button>
    <span class="w-10 text-center font-mono text-2xs text-mist">{{ shownPercent }} %</span>
    <button type="button" :class="classes" aria-label="Larger" title="Larger (Ctrl +)" @click="view.zoomBy(1.25)">
      <ZoomIn :size="14" aria-hidden="true" />
    </button>
    <button type="button" :class="classes" aria-label="Fit the stage" title="Fit (Ctrl 0)" @click="view.zoom = 1">
      <Maximize :size="14" aria-hidden="true" />
    </button>
    <button
      type="button"
      :class="classes"
      aria-label="The stage alone"
      :aria-pressed="view.isAlone"
      :title="view.isAlone ? 'With all around it (F)' : 'The stage alone (F)'"
      @click="view.isAlone = !view.isAlone"
    >
      <component :is="view.isAlone ? Minimize2 : Expand" :size="14" aria-hidden="true" />
    </button>
  </div>
</template>
