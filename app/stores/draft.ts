import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { describeDifferences } from '../../core/edit/differences/describeDifferences.ts'
import type { Difference } from '../../core/edit/differences/difference.ts'
import { redo, undo } from '../../core/edit/history.ts'
import type { Edit } from '../../core/edit/change.ts'
import { createDraftSession, type DraftSession } from './draftSession.ts'
import { useMediaStore } from './media.ts'
import { useSessionStore } from './session.ts'

/** Edits that follow each other more slowly are a pause. */
const quietMs = 150

/** The box being edited. Those that were left before the server had everything go on saving. */
export const useDraftStore = defineStore('draft', () => {
  const media = useMediaStore()
  const person = useSessionStore()
  const session = shallowRef<DraftSession | null>(null)
  const leaving = new Map<string, DraftSession>()

  const telling = () => {
    const { locale = 'en', currency = 'EUR' } = person.session?.channel ?? {}
    return { names: media.names, locale, currency }
  }
  const view = computed(() => session.value?.view.value ?? null)
  const document = computed(() => session.value?.document.value ?? null)
  const history = computed(() => session.value?.history.value ?? null)

  /** What differs from air; compared once edits pause. */
  const differences = shallowRef<Difference[]>([])
  const compare = () => {
    const air = view.value?.airDocument ?? null
    differences.value = document.value ? describeDifferences(air, document.value, telling()) : []
  }
  watchDebounced([document, view, () => media.names], compare, { debounce: quietMs })

  async function open(boxId: string): Promise<void> {
    leave()
    const opened = createDraftSession(boxId, telling)
    session.value = opened
    differences.value = []
    // What an earlier session of the same box still has to say comes first; what it could not say was kept.
    const earlier = leaving.get(boxId)
    leaving.delete(boxId)
    await earlier?.close()
    await opened.load()
  }

  /** Lets go of the box; its last edits are sent all the same. */
  function leave(): void {
    const left = session.value
    if (!left) return
    session.value = null
    left.keep()
    leaving.set(left.boxId, left)
    void left.save().then(() => {
      if (!left.hasUnsaved() && leaving.get(left.boxId) === left) leaving.delete(left.boxId)
    })
  }

  return {
    view,
    document,
    saveState: computed(() => session.value?.saveState.value ?? 'saved'),
    savedAtMs: computed(() => session.value?.savedAtMs.value ?? null),
    refusal: computed(() => session.value?.refusal.value ?? null),
    conflict: computed(() => session.value?.conflict.value ?? null),
    /** The step that undo would take back. */
    newestStep: computed(() => history.value?.past.at(-1) ?? null),
    undoLabel: computed(() => history.value?.past.at(-1)?.label ?? null),
    redoLabel: computed(() => history.value?.future[0]?.label ?? null),
    differences,
    open,
    edit: (made: Edit) => session.value?.edit(made) ?? false,
    undo: () => session.value?.travel(undo),
    redo: () => session.value?.travel(redo),
    save: async (keepalive = false) => session.value?.save(keepalive),
    keep: () => session.value?.keep(),
    settle: (choice: 'both' | 'theirs') => session.value?.settle(choice),
    putOnAir: async () => session.value?.putOnAir(),
    loadSaved: async () => session.value?.loadSaved(),
  }
})
