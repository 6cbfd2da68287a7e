<script setup lang="ts">
import type { DeskView } from '../../../contract/views.ts'
import { span } from '../../format/time.ts'

defineProps<{ desk: DeskView; nowMs: number }>()
</script>

<template>
  <footer class="flex shrink-0 divide-x divide-seam overflow-x-auto border-t border-seam bg-ridge" aria-label="Sources">
    <div v-for="(source, index) in desk.sources" :key="source.id" class="min-w-60 px-4 py-3">
      <p class="flex items-center gap-2 font-display font-semibold">
        <span
          class="size-2.5 rounded-full"
          :class="source.missing.length > 0 || source.sound === 'blocked' || source.isSetAside ? 'bg-glow' : 'bg-fine'"
          aria-hidden="true"
        />Source {{ index + 1 }}
      </p>
      <p class="mt-0.5 font-mono text-xs text-mist">
        {{ source.widthPx }}×{{ source.heightPx }} ·
        {{ source.latencyMs === null ? 'measuring' : `${source.latencyMs} ms` }}
      </p>
      <p v-if="source.isSetAside" class="text-wrong">
        never ready in time: others start without it. Load its page again.
      </p>
      <p v-else-if="source.missing.length > 0" class="text-wrong">could not load: {{ source.missing.join(', ') }}</p>
      <p v-else-if="source.sound === 'blocked'" class="text-glow">
        silent: click once into its page to let it be heard
      </p>
      <p v-else class="text-mist">connected for {{ span(nowMs - source.connectedAtMs) }}</p>
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
  </footer>
</template>
