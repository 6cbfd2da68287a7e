<script setup lang="ts">
import { computed } from 'vue'
import { lengthWords } from '../../format/time.ts'
import type { SideFigures } from '../../workers/rehearsalTalk.ts'

/** How long people wait in each of several boxes, the longest first, and a way to what would help there. */
const props = defineProps<{ a: SideFigures; b: SideFigures; names: ReadonlyMap<string, string> }>()
const rows = computed(() =>
  [...props.b.boxes]
    .sort((x, y) => y.p95Ms - x.p95Ms)
    .map((own) => ({ ...own, before: props.a.boxes.find(({ boxId }) => boxId === own.boxId) })),
)
</script>

<template>
  <section aria-labelledby="by-box">
    <h2 id="by-box" class="font-display text-xl font-semibold">By box</h2>
    <table class="mt-2 w-full border-collapse">
      <thead>
        <tr class="border-b border-rule text-right text-faded">
          <td />
          <th scope="col" class="py-1 font-normal">A, 19 of 20</th>
          <th scope="col" class="py-1 pl-2 font-normal">B, 19 of 20</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.boxId" class="border-b border-rule">
          <th scope="row" class="py-1 text-left font-normal">
            {{ names.get(row.boxId) ?? row.boxId }}
            <NuxtLink :to="`/rehearsal?box=${row.boxId}`" class="link block w-fit text-deep-sky"
              >What would help here</NuxtLink
            >
          </th>
          <td class="pt-1.5 text-right align-top font-mono text-xs">
            {{ row.before ? lengthWords(row.before.p95Ms) : '—' }}
          </td>
          <td class="pt-1.5 pl-2 text-right align-top font-mono text-xs font-semibold">{{ lengthWords(row.p95Ms) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
