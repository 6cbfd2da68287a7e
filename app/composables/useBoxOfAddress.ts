import { onBeforeRouteLeave, useRoute } from '#imports'
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { wordsOf } from '../api/request.ts'
import { useBoxesStore } from '../stores/boxes.ts'
import { useDraftStore } from '../stores/draft.ts'

/**
 * The box that a page is about, as its address says (`?box=`), else the first: its draft is open while the page is, and saved when it
 * is left. `withBoards`: it may be a board.
 */
export function useBoxOfAddress({ withBoards = false } = {}) {
  const route = useRoute()
  const boxes = useBoxesStore()
  const draft = useDraftStore()
  /** Why something cannot be shown; the page adds its own. */
  const refusal = ref('')
  const box = computed(() => {
    const all = [...(boxes.boxes ?? []), ...((withBoards && boxes.boards) || [])]
    return all.find((each) => each.id === route.query.box) ?? all[0] ?? null
  })
  watch(
    () => box.value?.id ?? null,
    async (id) => {
      if (id === null) return
      try {
        await draft.open(id)
      } catch (error) {
        refusal.value = wordsOf(error)
      }
    },
    { immediate: true },
  )
  useEventListener(window, 'pagehide', () => void draft.save(true))
  useEventListener(window, 'visibilitychange', draft.keep)
  onBeforeRouteLeave(() => draft.save())
  return { box, refusal }
}
