<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { changeBox } from '../../../core/edit/change.ts'
import { putOnCanvas } from '../../../core/edit/putOnCanvas.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { useDraftStore } from '../../stores/draft.ts'
import CanvasChoice from '../boxes/CanvasChoice.vue'
import { asListed, canvasesWith } from '../boxes/canvases.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import BeforeAfter from './BeforeAfter.vue'

/** Lays the box out for another canvas: each case is seen before and after; one step to undo. */
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const notify = useUndoNotice()
const now = computed(() => draft.document?.canvas ?? null)
const chosen = ref<Canvas | null>(null)
watch(isOpen, (open) => {
  if (open && now.value) chosen.value = asListed(now.value, canvasesWith(now.value))
})
const isOther = computed(
  () => chosen.value !== null && now.value !== null && JSON.stringify(chosen.value) !== JSON.stringify(now.value),
)
/** What the box would be; the dry run of the very edit. */
const after = computed(() => {
  if (!draft.document || !chosen.value) return null
  const result = changeBox(draft.document, putOnCanvas(chosen.value))
  return result.ok ? result.value.document : null
})
const cases = computed(() =>
  (draft.document?.alerts ?? []).flatMap((alert) =>
    alert.variations.map((variation) => ({
      ...{ alertId: alert.id, variationId: variation.id },
      name: `${kindNames[mainKind(alert)]}: ${variation.name}`,
    })),
  ),
)
function layOut(): void {
  const canvas = chosen.value
  if (!canvas || !draft.edit(putOnCanvas(canvas))) return
  isOpen.value = false
  notify(`Laid out for ${canvas.widthPx} × ${canvas.heightPx}. Set the source to that size when it is on air.`)
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Another size" is-wide>
    <CanvasChoice v-if="chosen" v-model="chosen" :designed="now" />
    <p class="mt-3 text-faded">
      Where things stand keeps its place in the picture, and everything is as much larger or smaller as the tighter
      side. What is on air stays as it is until you put the draft on air.
    </p>
    <ul v-if="isOther && after && draft.document" class="mt-3 space-y-1.5" aria-label="Before and after">
      <BeforeAfter
        v-for="each in cases"
        :key="`${each.alertId}/${each.variationId}`"
        :before="draft.document"
        :after="after"
        :alert-id="each.alertId"
        :variation-id="each.variationId"
        :is-marked="false"
        >{{ each.name }}</BeforeAfter
      >
    </ul>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Cancel</button>
      <button type="button" class="button button-bolt" :disabled="!isOther || !after" @click="layOut">
        Lay it out anew
      </button>
    </template>
  </PaperDialog>
</template>
