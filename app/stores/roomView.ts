import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import type { Saying } from '../../core/speech/sayings.ts'
import type { SpokenParts } from '../../core/speech/spoken.ts'
import type { LoopRange } from '../composables/useStage.ts'

const maxZoom = 8

/** What the inspector shows: the selected part, or what concerns more than it. */
export type Panel = 'part' | 'zones' | 'look' | 'cases' | 'dials'

export interface ShownVoices {
  sayings: readonly { part: { id: string }; sayings: readonly Saying[] }[]
  spoken: SpokenParts
}

/** How the score room is looked at: nothing of it belongs to the box. */
export const useRoomViewStore = defineStore('roomView', () => {
  /** Times the size at which the whole canvas fits. */
  const zoom = ref(1)
  const panel = ref<Panel>('part')
  /** Every property that can be one has a knob beside it, which makes it a dial. */
  const isMakingDials = ref(false)
  /** Which season's look is being edited; null: the everyday one. */
  const seasonId = ref<string | null>(null)
  /** The day whose look is shown while no look is being edited; null: today. */
  const day = ref<string | null>(null)
  const showsScene = ref(true)
  /** Nothing but the stage is on the page. */
  const isAlone = ref(false)
  const loop = ref<LoopRange | null>(null)
  /** What the voices of the shown case want read, and what they said. */
  const voices = shallowRef<ShownVoices>({ sayings: [], spoken: {} })
  /** What the case is shown with; null: nothing is shown, or it is a board. */
  const shownWith = shallowRef<{ event: CanonicalEvent; locale: string } | null>(null)
  return {
    zoom,
    panel,
    isMakingDials,
    seasonId,
    day,
    showsScene,
    isAlone,
    loop,
    voices,
    shownWith,
    /** Opens a panel, or goes back to the part where it is open. */
    toggle(wanted: Panel): void {
      panel.value = panel.value === wanted ? 'part' : wanted
    },
    /** As it is for a box that was just opened. */
    reset(): void {
      panel.value = 'part'
      shownWith.value = null
      isAlone.value = false
      isMakingDials.value = false
      seasonId.value = null
      day.value = null
      loop.value = null
    },
    zoomBy(ratio: number): void {
      zoom.value = Math.min(maxZoom, Math.max(1, zoom.value * ratio))
    },
  }
})
