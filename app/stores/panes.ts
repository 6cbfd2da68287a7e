import { useLocalStorage, useWindowSize } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'

/** How large a pane is, and may be, in pixels. */
export interface PaneSize {
  px: number
  leastPx: number
  mostPx: number
}

const inspector = { usualPx: 312, leastPx: 256, mostPx: 640 }
/** What stands beside the inspector needs this much: tools, playback and some stage. */
const besidePx = 680
const score = { usualPx: 240, leastPx: 84, mostPx: 720 }
const abovePx = 430

const sizeOf = (kept: unknown, { usualPx, leastPx, mostPx }: typeof score, roomPx: number): PaneSize => {
  const most = Math.max(leastPx, Math.min(mostPx, roomPx))
  const wanted = typeof kept === 'number' && Number.isFinite(kept) ? kept : usualPx
  return { px: Math.min(most, Math.max(leastPx, wanted)), leastPx, mostPx: most }
}

/** How the room around a stage is shared, as it was left in this browser. A smaller window gives what it has. */
export const usePanesStore = defineStore('panes', () => {
  const kept = useLocalStorage<{ inspectorPx?: number; scorePx?: number }>('thundercrest.panes', {})
  const { width, height } = useWindowSize()
  const set = (pane: 'inspectorPx' | 'scorePx', px: number | null) => {
    const { [pane]: _, ...others } = kept.value
    kept.value = px === null ? others : { ...others, [pane]: Math.round(px) }
  }
  return {
    inspector: computed(() => sizeOf(kept.value.inspectorPx, inspector, width.value - besidePx)),
    score: computed(() => sizeOf(kept.value.scorePx, score, height.value - abovePx)),
    /** Nobody chose how tall the score is: it is as tall as its lanes, up to its usual height. */
    isScoreFree: computed(() => kept.value.scorePx === undefined),
    /** @param px null: as it usually is */
    setInspector: (px: number | null) => set('inspectorPx', px),
    setScore: (px: number | null) => set('scorePx', px),
  }
})
