import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import type { SampleName } from '../../core/events/sampleEvent.ts'
import { useDraftStore } from './draft.ts'

/** What is being looked at in the score room: which alert, which case, which part, shown with whose name. */
export const useScoreRoomStore = defineStore('scoreRoom', () => {
  const draft = useDraftStore()
  const alertId = ref<string | null>(null)
  const variationId = ref<string | null>(null)
  const partId = ref<string | null>(null)
  const viewer = ref<SampleName>('everyday')

  const alert = computed(() => draft.document?.alerts.find((each) => each.id === alertId.value) ?? draft.document?.alerts[0] ?? null)
  const variation = computed(() => alert.value?.variations.find((each) => each.id === variationId.value) ?? alert.value?.variations[0] ?? null)
  const part = computed(() => variation.value?.composition.parts.find((each) => each.id === partId.value) ?? null)
  const address = computed(() => (alert.value && variation.value ? { alertId: alert.value.id, variationId: variation.value.id } : null))

  // Another alert has other parts; a part of the same name is what the person most likely wants to go on with.
  watch(alertId, () => {
    variationId.value = null
    if (!part.value) partId.value = null
  })

  return { alertId, variationId, partId, viewer, alert, variation, part, address }
})
