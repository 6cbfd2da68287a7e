import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { LoopRange } from '../composables/useStage.ts'

const maxZoom = 8

/** How the score room is looked at: nothing of it belongs to the box. */
export const useRoomViewStore = defineStore('roomView', () => {
  /** Times the size at which the whole canvas fits. */
  const zoom = ref(1)
  const isEditingZones = ref(false)
  const isEditingLook = ref(false)
  const isEditingCases = ref(false)
  /** Which season's look is being edited; null: the everyday one. */
  const seasonId = ref<string | null>(null)
  /** The day whose look is shown while no look is being edited; null: today. */
  const day = ref<string | null>(null)
  const showsScene = ref(true)
  const loop = ref<LoopRange | null>(null)
  return {
    zoom,
    isEditingZones,
    isEditingLook,
    isEditingCases,
    seasonId,
    day,
    showsScene,
    loop,
    zoomBy(ratio: number): void {
      zoom.value = Math.min(maxZoom, Math.max(1, zoom.value * ratio))
    },
  }
})
