<script setup lang="ts">
import type { ScoreRow } from '../../../core/score/rows.ts'
import type { TimeScale } from './timeScale.ts'
import type { DrawnTie } from './useClipDrag.ts'

/** Anchors as ties from what a clip hangs on to its edge; a tie that is being drawn follows the pointer. */
defineProps<{ rows: readonly ScoreRow[]; scale: TimeScale; rowHeightPx: number; drawn: DrawnTie | null }>()
</script>

<template>
  <svg class="pointer-events-none absolute inset-0 size-full overflow-visible" aria-hidden="true">
    <template v-for="(row, index) in rows" :key="row.id">
      <template
        v-for="[which, tie, edgeMs] in [
          ['start', row.startTie, row.startMs],
          ['end', row.endTie, row.endMs],
        ] as const"
        :key="which"
      >
        <g v-if="tie && tie.row !== null" class="stroke-sky" fill="none" stroke-width="1.5">
          <line
            :x1="scale.at(tie.atMs)"
            :x2="scale.at(tie.atMs)"
            :y1="tie.row * rowHeightPx + rowHeightPx / 2"
            :y2="index * rowHeightPx + rowHeightPx / 2"
          />
          <line
            :x1="scale.at(tie.atMs)"
            :x2="scale.at(edgeMs)"
            :y1="index * rowHeightPx + rowHeightPx / 2"
            :y2="index * rowHeightPx + rowHeightPx / 2"
          />
          <circle :cx="scale.at(tie.atMs)" :cy="tie.row * rowHeightPx + rowHeightPx / 2" r="2.5" class="fill-sky" />
        </g>
      </template>
    </template>
    <g v-if="drawn" class="stroke-bolt" stroke-width="2" stroke-dasharray="4 3">
      <line
        :x1="scale.at(drawn.fromMs)"
        :x2="scale.at(drawn.target?.atMs ?? drawn.toMs)"
        :y1="drawn.fromRow * rowHeightPx + rowHeightPx / 2"
        :y2="drawn.target ? drawn.target.row * rowHeightPx + rowHeightPx / 2 : drawn.toY"
      />
      <circle
        v-if="drawn.target"
        :cx="scale.at(drawn.target.atMs)"
        :cy="drawn.target.row * rowHeightPx + rowHeightPx / 2"
        r="5"
        class="fill-none"
        stroke-dasharray="none"
      />
    </g>
  </svg>
</template>
