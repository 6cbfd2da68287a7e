import { computed, ref, watch } from 'vue'
import { useLiveStore } from '../stores/live.ts'
import { useSessionStore } from '../stores/session.ts'

/**
 * Whether the editor is heard. Where a source of the same box plays on this machine everything would be heard twice:
 * then the editor is silent until the person says otherwise.
 */
export function useRoomSound(boxId: string) {
  const live = useLiveStore()
  const session = useSessionStore()
  const hearsSource = computed(
    () =>
      session.machine !== '' &&
      (live.deskOf(boxId)?.sources.some((source) => source.machine === session.machine) ?? false),
  )
  const isHeard = ref(true)
  const isChosen = ref(false)
  watch(
    hearsSource,
    (isBeside) => {
      if (!isChosen.value) isHeard.value = !isBeside
    },
    { immediate: true },
  )
  return {
    hearsSource,
    isHeard: computed({
      get: () => isHeard.value,
      set: (heard: boolean) => {
        isChosen.value = true
        isHeard.value = heard
      },
    }),
  }
}
