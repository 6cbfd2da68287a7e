import { computed } from 'vue'
import { span } from '../format/time.ts'
import { useDraftStore } from '../stores/draft.ts'

/** How the draft stands with the server, in words; and whether that is trouble. */
export function useSaveWords() {
  const draft = useDraftStore()
  const words = computed(() => {
    switch (draft.saveState) {
      case 'saved':
        return draft.savedAtMs ? `Saved ${span(Date.now() - draft.savedAtMs)} ago` : 'Saved'
      case 'waiting':
      case 'saving':
        return 'Saving…'
      case 'offline':
        return 'Not saved yet; kept here, trying again'
      case 'conflict':
        return 'Changed by somebody else'
      case 'refused':
        return 'Refused by the server; still on your screen'
    }
    return ''
  })
  return { words, isTrouble: computed(() => ['offline', 'conflict', 'refused'].includes(draft.saveState)) }
}
