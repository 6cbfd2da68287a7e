import { toast } from 'vue-sonner'
import { wordsOf } from '../api/request.ts'
import { useKeys } from './useKeys.ts'

/**
 * Takes changes of listed documents back, also by the key for that; within a field that key is the field's own.
 * @param back takes the newest back and names what it was of; null where there was none
 * @param choose shows what was taken back
 */
export function useUndoKey(back: () => Promise<string | null>, choose: (id: string) => unknown): () => Promise<void> {
  async function undo(): Promise<void> {
    try {
      const id = await back()
      if (id !== null) await choose(id)
    } catch (error) {
      toast.error(wordsOf(error))
    }
  }
  useKeys({
    '$mod+z': (event: KeyboardEvent) => {
      if (event.target instanceof HTMLElement && event.target.closest('input, textarea')) return
      event.preventDefault()
      void undo()
    },
  })
  return undo
}
