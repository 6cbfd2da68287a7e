<script setup lang="ts">
import { usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { factsOf } from '../../../contract/mediaFacts.ts'
import { packNotes } from '../../../core/pack/packNotes.ts'
import { fitToCanvas } from '../../../core/pack/fitToCanvas.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { PackSummary } from '../../../contract/packs.ts'
import { everydaySample, useSampleScore } from '../../composables/useSampleScore.ts'
import { usePacksStore } from '../../stores/packs.ts'
import { useSessionStore } from '../../stores/session.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import ScoreTile from '../stage/ScoreTile.vue'

/**
 * All of a pack to look at before deciding: every case, one after another or the one that is chosen, on the canvas that
 * is wanted.
 */
const props = defineProps<{ pack: PackSummary; canvas: Canvas }>()
const packs = usePacksStore()
const session = useSessionStore()
const at = ref(0)
watch(
  () => props.pack.shelfId,
  (shelfId) => {
    at.value = 0
    void packs.open(shelfId).catch(() => {})
  },
  { immediate: true },
)
const document = computed(() =>
  fitToCanvas(packs.opened.get(props.pack.shelfId)?.manifest.box ?? props.pack.cover, props.canvas),
)
const cases = computed(() =>
  document.value.alerts.flatMap((alert) => [...alert.variations].reverse().map((variation) => ({ alert, variation }))),
)
const shown = computed(() => cases.value[at.value % Math.max(1, cases.value.length)] ?? null)
const choices = computed(() =>
  cases.value.map(({ alert, variation }, index) => ({
    value: String(index),
    label: `${kindNames[mainKind(alert)]}${alert.variations.length > 1 ? `: ${variation.name}` : ''}`,
  })),
)
const { score } = useSampleScore(
  document,
  computed(() => shown.value?.alert ?? null),
  computed(() => shown.value?.variation.id ?? null),
  computed(() => ({ ...everydaySample, name: session.session?.channel.name ?? '' })),
)
const motion = usePreferredReducedMotion()
/** What in a pack that somebody brought will not do what its designer meant. */
const notes = computed(() => {
  const view = packs.opened.get(props.pack.shelfId)
  return view?.origin === 'imported'
    ? packNotes(
        view.manifest,
        view.media.flatMap((file) => factsOf(file).family ?? []),
      )
    : []
})
const roomClass = computed(() => {
  const { widthPx, heightPx } = props.canvas
  if (heightPx > widthPx) return 'h-80'
  return heightPx === widthPx ? 'h-64' : 'aspect-video'
})
</script>

<template>
  <div>
    <div class="bg-stage" :class="roomClass">
      <ScoreTile
        :key="`${pack.shelfId}/${at}/${canvas.widthPx}`"
        :score="score"
        :canvas="canvas"
        :is-moving="motion !== 'reduce'"
        @ended="at += 1"
      />
    </div>
    <ul v-if="notes.length > 0" class="mt-2 rounded-sm bg-sheet p-2 text-2xs" aria-label="Worth knowing">
      <li v-for="note in notes.slice(0, 6)" :key="note">{{ note }}</li>
      <li v-if="notes.length > 6">and {{ notes.length - 6 }} more</li>
    </ul>
    <div class="mt-2">
      <ChoiceField
        label="Shown"
        :value="String(at % Math.max(1, cases.length))"
        :choices="choices"
        @change="at = Number($event)"
      />
    </div>
  </div>
</template>
