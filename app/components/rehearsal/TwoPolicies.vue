<script setup lang="ts">
import { computed } from 'vue'
import { manyOf } from '../../../core/queue/policyWords.ts'
import { lengthWords } from '../../format/time.ts'
import type { SideFigures, ViewerRow } from '../../workers/rehearsalTalk.ts'
import { comparedLines } from './rehearsalWords.ts'
import type { Beside } from './useSides.ts'
import ViewerWaits from './ViewerWaits.vue'

const props = defineProps<{
  a: SideFigures
  b: SideFigures
  viewers: readonly ViewerRow[]
  viewerCount: number
  hasAir: boolean
  clock: (atMs: number) => string
}>()
defineEmits<{ look: [at: number] }>()
const beside = defineModel<Beside>('beside', { required: true })
const lines = computed(() => comparedLines(props.a, props.b, props.clock))
const kinds = computed(() =>
  props.b.kinds.map((own) => ({ own, before: props.a.kinds.find(({ kind }) => kind === own.kind) })),
)
</script>

<template>
  <section aria-labelledby="policies">
    <h2 id="policies" class="font-display text-xl font-semibold">Two policies</h2>
    <table class="mt-2 w-full border-collapse">
      <thead>
        <tr class="border-b border-rule text-left">
          <td />
          <th scope="col" class="py-1.5 pl-2 text-right font-normal whitespace-nowrap">
            <span class="text-faded">A ·</span>
            <select v-model="beside" class="in-sentence" aria-label="What A is">
              <option v-if="hasAir" value="air">on air</option>
              <option value="usual">as a new box</option>
              <option value="none">one by one</option>
            </select>
          </th>
          <th scope="col" class="py-1.5 pl-3 text-right font-semibold whitespace-nowrap">B · draft</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.what" class="border-b border-rule">
          <th scope="row" class="py-1 pr-2 text-left font-normal">{{ line.what }}</th>
          <td
            class="py-1 pl-2 text-right font-mono text-xs whitespace-nowrap"
            :class="line.isWorse ? 'text-brick' : ''"
          >
            {{ line.a }}
          </td>
          <td class="py-1 pl-3 text-right font-mono text-xs font-semibold whitespace-nowrap">{{ line.b }}</td>
        </tr>
      </tbody>
    </table>
    <details v-if="kinds.length > 0" class="mt-2">
      <summary class="cursor-pointer text-deep-sky">Waits by kind</summary>
      <table class="mt-1 w-full border-collapse">
        <caption class="sr-only">
          How long each kind waits: nineteen of twenty less than, and the longest
        </caption>
        <thead>
          <tr class="border-b border-rule text-right text-faded">
            <td />
            <th scope="col" class="py-1 font-normal">A, 19 of 20</th>
            <th scope="col" class="py-1 pl-2 font-normal">B, 19 of 20</th>
            <th scope="col" class="py-1 pl-2 font-normal">B, longest</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ own, before } in kinds" :key="own.kind" class="border-b border-rule">
            <th scope="row" class="py-1 text-left font-normal">
              {{ manyOf(own.kind) }} <span class="text-faded">{{ own.count }}</span>
            </th>
            <td class="text-right font-mono text-xs">{{ before ? lengthWords(before.p95Ms) : '—' }}</td>
            <td class="pl-2 text-right font-mono text-xs">{{ lengthWords(own.p95Ms) }}</td>
            <td class="pl-2 text-right font-mono text-xs">{{ lengthWords(own.worstMs) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
    <ViewerWaits v-if="viewers.length > 0" :viewers="viewers" :count="viewerCount" @look="$emit('look', $event)" />
  </section>
</template>
