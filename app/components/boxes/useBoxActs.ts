import { toast } from 'vue-sonner'
import type { BoxSummary } from '../../../contract/views.ts'
import { wordsOf } from '../../api/request.ts'
import { useBoxesStore } from '../../stores/boxes.ts'

/** What can be done with a box from outside; each says what it did, with the way back. */
export function useBoxActs() {
  const store = useBoxesStore()

  /** Does something and says so; what goes wrong is said instead. */
  async function act(work: () => Promise<unknown>, said: string, undo?: () => Promise<unknown>): Promise<void> {
    try {
      await work()
      toast.success(said, undo ? { action: { label: 'Undo', onClick: () => void act(undo, 'Undone.') } } : {})
    } catch (error) {
      toast.error(wordsOf(error))
      await store.load().catch(() => undefined)
    }
  }

  /** Whoever stands behind a box now: before whom it is put to bring it back to its place. */
  const behind = (id: string): string | null => {
    const boxes = (store.boxes?.some((box) => box.id === id) ? store.boxes : store.boards) ?? []
    return boxes[boxes.findIndex((box) => box.id === id) + 1]?.id ?? null
  }

  return {
    rename: ({ id, name }: BoxSummary, to: string) =>
      act(
        () => store.rename(id, to),
        `“${name}” is called “${to}” now.`,
        () => store.rename(id, name),
      ),
    copy: ({ id, name }: BoxSummary) =>
      act(() => store.copy(id, `${name}, copy`.slice(0, 80)), `A copy of “${name}” stands behind the others.`),
    move({ id, name }: BoxSummary, before: string | null): Promise<void> {
      const was = behind(id)
      return act(
        () => store.move(id, before),
        `“${name}” has another place.`,
        () => store.move(id, was),
      )
    },
    putAway: ({ id, name }: BoxSummary) =>
      act(
        () => store.putAwayBox(id),
        `“${name}” is put away: its sources show nothing any more.`,
        () => store.bringBack(id),
      ),
    bringBack: ({ id, name }: { id: string; name: string }) =>
      act(() => store.bringBack(id), `“${name}” is back, and its sources with it.`),
  }
}
