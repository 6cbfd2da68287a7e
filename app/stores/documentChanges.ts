import { computed, shallowReactive, shallowRef, type ComputedRef } from 'vue'
import { isSame } from '../../core/isSame.ts'
import { Turns } from '../../core/turns.ts'

const stepsKept = 50

interface DocumentsDependencies<D> {
  /** A document as it is shown: with what was changed here. */
  find: (id: string) => D | null
  /** Has the server keep a document. @throws what it refuses */
  keep: (document: D) => Promise<void>
  /** Reads all that the server has. */
  load: () => Promise<void>
}

export interface DocumentChanges<D> {
  /** A document as it was changed here, where that is not kept yet; else as it is given. */
  shown: (document: D) => D
  canUndo: ComputedRef<boolean>
  /** Changes a document. @throws what the server refuses, with the document as it is there */
  change: (id: string, edit: (document: D) => D) => Promise<void>
  /** Takes the newest change back. @returns the document that it was of; null where there was none */
  undo: () => Promise<string | null>
  /** Does something after all that was begun before. */
  take: <T>(work: () => Promise<T>) => Promise<T>
}

/**
 * Changes of documents that a server keeps: shown at once, so that the next change is made of them; kept one after another;
 * with a way back for each.
 */
export function documentChanges<D extends { id: string }>(deps: DocumentsDependencies<D>): DocumentChanges<D> {
  const changing = shallowReactive(new Map<string, D>())
  const done = shallowRef<{ before: D; after: D }[]>([])
  const turns = new Turns()

  async function put(document: D): Promise<void> {
    changing.set(document.id, document)
    await turns.take(async () => {
      try {
        await deps.keep(document)
      } catch (error) {
        await deps.load().catch(() => undefined)
        throw error
      } finally {
        // What was changed once more meanwhile waits for its own turn.
        if (changing.get(document.id) === document) changing.delete(document.id)
      }
    })
  }

  return {
    shown: (document) => changing.get(document.id) ?? document,
    canUndo: computed(() => done.value.length > 0),
    async change(id, edit) {
      const before = deps.find(id)
      if (!before) return
      const after = edit(before)
      if (isSame(before, after)) return
      await put(after)
      done.value = [...done.value.slice(1 - stepsKept), { before, after }]
    },
    async undo() {
      const step = done.value.at(-1)
      if (!step) return null
      done.value = done.value.slice(0, -1)
      await put(step.before)
      return step.before.id
    },
    take: (work) => turns.take(work),
  }
}
