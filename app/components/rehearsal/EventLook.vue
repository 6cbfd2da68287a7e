<script setup lang="ts">
import { ChevronLeft, ChevronRight, X } from '@lucide/vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { Looked } from '../../workers/rehearsalTalk.ts'
import ReasonTree from '../desk/ReasonTree.vue'
import KindMark from '../frame/KindMark.vue'
import ScoreTile from '../stage/ScoreTile.vue'
import { callWords, fateWords } from './rehearsalWords.ts'

/** One thing that came in a night: what became of it under both policies, why, and its alert as it would be seen. */
defineProps<{
  looked: Looked
  canvas: Canvas
  clock: (atMs: number) => string
  count: number
  /** Which box it is looked at in, where there are several. */
  boxName?: string | undefined
  /** Names of triggers. */
  triggers: ReadonlyMap<string, string>
}>()
defineEmits<{ go: [at: number]; close: [] }>()
</script>

<template>
  <section class="mb-5 border-b border-rule pb-4" aria-labelledby="looked">
    <div class="flex items-start justify-between gap-2">
      <h2 id="looked" class="flex min-w-0 items-center gap-2 font-semibold">
        <KindMark :kind="looked.kind" />
        <span class="min-w-0 truncate"
          ><bdi>{{ looked.name || 'the channel itself' }}</bdi></span
        >
      </h2>
      <div class="flex shrink-0">
        <button
          type="button"
          class="rounded-sm p-1 hover:bg-rule/60 disabled:opacity-40"
          aria-label="What came before"
          :disabled="looked.at === 0"
          @click="$emit('go', looked.at - 1)"
        >
          <ChevronLeft :size="18" /></button
        ><button
          type="button"
          class="rounded-sm p-1 hover:bg-rule/60 disabled:opacity-40"
          aria-label="What came after"
          :disabled="looked.at >= count - 1"
          @click="$emit('go', looked.at + 1)"
        >
          <ChevronRight :size="18" /></button
        ><button
          type="button"
          class="rounded-sm p-1 hover:bg-rule/60"
          aria-label="Close what came"
          @click="$emit('close')"
        >
          <X :size="18" />
        </button>
      </div>
    </div>
    <p class="text-faded">
      {{ clock(looked.atMs) }}<template v-if="looked.detail"> · {{ looked.detail }}</template
      ><template v-if="boxName"> · {{ boxName }}</template>
    </p>
    <div v-if="looked.score" class="mt-2 h-44">
      <ScoreTile :score="looked.score" :canvas="canvas" :is-moving="false" />
    </div>
    <dl class="mt-2 grid grid-cols-[1.4rem_minmax(0,1fr)] gap-y-0.5">
      <dt class="text-faded">A</dt>
      <dd>{{ fateWords(looked.a) }}</dd>
      <dt class="text-faded">B</dt>
      <dd class="font-semibold">{{ fateWords(looked.b) }}</dd>
    </dl>
    <ul v-if="looked.b.calls.length > 0" class="mt-1" aria-label="What it set off">
      <li v-for="call in looked.b.calls" :key="call.triggerId">
        {{ triggers.get(call.triggerId) ?? call.triggerId }}: <span class="text-faded">{{ callWords(call) }}</span>
      </li>
    </ul>
    <details class="mt-2">
      <summary class="cursor-pointer text-deep-sky">Why? {{ looked.b.decided }}</summary>
      <ReasonTree v-if="looked.b.why" class="mt-2" :why="looked.b.why" />
    </details>
  </section>
</template>
