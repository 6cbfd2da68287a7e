<script setup lang="ts">
import { NuxtLink } from '#components'
import { EyeOff, Volume2, VolumeX } from '@lucide/vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { DeskView, SourceView } from '../../../contract/views.ts'
import { span } from '../../format/time.ts'
import { sourceFacts, sourceRemarks } from './sourceWords.ts'

const props = defineProps<{ desk: DeskView; canvas: Canvas; nowMs: number }>()
defineEmits<{ hear: [source: SourceView, isHeard: boolean] }>()
const remarksOf = (source: SourceView) => sourceRemarks(source, props.canvas)
const isWell = (source: SourceView) => remarksOf(source).length === 0
</script>

<template>
  <footer
    class="flex max-h-32 shrink-0 divide-x divide-seam overflow-auto border-t border-seam bg-ridge"
    aria-label="Sources"
  >
    <div v-for="(source, index) in desk.sources" :key="source.id" class="w-80 shrink-0 px-4 py-2">
      <p class="flex items-center gap-2 font-display font-semibold">
        <span class="size-2.5 rounded-full" :class="isWell(source) ? 'bg-fine' : 'bg-glow'" aria-hidden="true" />Source
        {{ index + 1 }}
        <span v-if="source.isHidden" class="flex items-center gap-1 font-sans text-xs font-normal text-mist"
          ><EyeOff :size="13" aria-hidden="true" />not shown just now</span
        >
        <button
          type="button"
          class="ml-auto inline-flex min-h-6 items-center gap-1 rounded-sm px-1.5 font-sans text-xs font-normal hover:bg-clip-dim"
          :class="source.isHeard ? 'text-mist' : 'text-glow'"
          :aria-pressed="source.isHeard"
          :aria-label="`Sound of source ${index + 1}`"
          @click="$emit('hear', source, !source.isHeard)"
        >
          <component :is="source.isHeard ? Volume2 : VolumeX" :size="14" aria-hidden="true" />{{
            source.isHeard ? 'heard' : 'silent'
          }}
        </button>
      </p>
      <p class="mt-0.5 truncate font-mono text-xs text-mist" :title="sourceFacts(source)">{{ sourceFacts(source) }}</p>
      <p class="text-mist">connected for {{ span(nowMs - source.connectedAtMs) }}</p>
      <p v-for="remark in remarksOf(source)" :key="remark" class="text-glow">{{ remark }}</p>
    </div>
    <div v-if="desk.sources.length === 0" class="px-4 py-3">
      <p class="flex items-center gap-2 font-display font-semibold">
        <span class="size-2.5 rounded-full bg-mist" aria-hidden="true" />No source connected
      </p>
      <p class="mt-0.5 text-mist">
        Open this box, copy its source address and add it to your broadcast program as a browser source. Nothing is lost
        meanwhile.
      </p>
    </div>
    <NuxtLink to="/rehearsal/check" class="link ml-auto shrink-0 self-start px-4 py-3 text-mist hover:text-snow"
      >Five-minute check</NuxtLink
    >
  </footer>
</template>
