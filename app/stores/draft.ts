import type { Patches } from 'mutative'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { BoxDocument } from '../../core/composition/box.ts'
import { applyPatches, changeBox, type Edit } from '../../core/edit/change.ts'
import { describeDifferences } from '../../core/edit/describeDifferences.ts'
import { emptyHistory, redo, remember, undo, type Travelled } from '../../core/edit/history.ts'
import type { BoxView } from '../../contract/views.ts'
import { ProblemError, request, wordsOf } from '../api/request.ts'
import { useMediaStore } from './media.ts'
import { keepPending, readPending } from './pendingEdits.ts'

/**
 * saved: the server has everything · waiting: edits will be sent in a moment · saving · offline: tries again ·
 * conflict: somebody else saved · refused: the server will not take these edits
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'refused'

const saveAfterMs = 500
const retryAfterMs = 3000

/** The box being edited: its draft, what can be undone, and what the server has of it. */
export const useDraftStore = defineStore('draft', () => {
  const media = useMediaStore()
  const view = shallowRef<BoxView | null>(null)
  const document = shallowRef<BoxDocument | null>(null)
  const history = shallowRef(emptyHistory)
  const saveState = ref<SaveState>('saved')
  const savedAtMs = ref<number | null>(null)
  const refusal = ref<string | null>(null)
  let pending: Patches = []
  let inFlight: Patches = []
  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  async function open(boxId: string): Promise<void> {
    clearTimeout(timer)
    const loaded = await request<BoxView>('GET', `/api/boxes/${boxId}`)
    view.value = loaded
    revision = loaded.revision
    document.value = loaded.document
    history.value = emptyHistory
    pending = []
    inFlight = []
    saveState.value = 'saved'
    savedAtMs.value = null
    const kept = readPending(boxId)
    if (kept && kept.baseRevision === revision && kept.patches.length > 0) {
      document.value = applyPatches(loaded.document, kept.patches)
      note(kept.patches)
    }
  }

  /** Applies an edit; one that would make the box invalid is refused in words and changes nothing. */
  function edit(made: Edit): void {
    if (!document.value) return
    const changed = changeBox(document.value, made)
    refusal.value = changed.ok ? null : changed.error
    if (!changed.ok || !changed.value.change) return
    document.value = changed.value.document
    history.value = remember(history.value, changed.value.change, Date.now())
    note(changed.value.change.patches)
  }

  function travel(step: (from: typeof history.value, at: BoxDocument) => Travelled | null): void {
    const travelled = document.value ? step(history.value, document.value) : null
    if (!travelled) return
    document.value = travelled.document
    history.value = travelled.history
    note(travelled.patches)
  }

  function note(patches: Patches): void {
    pending = [...pending, ...patches]
    keep()
    if (isStuck()) return
    if (saveState.value !== 'saving') saveState.value = 'waiting'
    clearTimeout(timer)
    timer = setTimeout(() => void save(), saveAfterMs)
  }

  /** Saving more on top would be refused again; the person decides what happens. */
  const isStuck = () => saveState.value === 'conflict' || saveState.value === 'refused'

  function keep(): void {
    if (view.value) keepPending(view.value.id, { baseRevision: revision, patches: [...inFlight, ...pending] })
  }

  /** Sends what is pending. Resolves when the server has everything, or with what stopped it in `saveState`. */
  async function save(keepalive = false): Promise<void> {
    clearTimeout(timer)
    if (!view.value || inFlight.length > 0 || pending.length === 0 || isStuck()) return
    inFlight = pending
    pending = []
    saveState.value = 'saving'
    try {
      const answer = await request<{ revision: number }>('PATCH', `/api/boxes/${view.value.id}/draft`, { baseRevision: revision, patches: inFlight }, { keepalive })
      revision = answer.revision
      inFlight = []
      savedAtMs.value = Date.now()
      saveState.value = pending.length > 0 ? 'waiting' : 'saved'
      keep()
      if (pending.length > 0) await save()
    } catch (error) {
      pending = [...inFlight, ...pending]
      inFlight = []
      const status = error instanceof ProblemError ? error.status : 0
      // Not reached, too busy or broken there: worth another try. Anything else would be refused again.
      const isWorthRetrying = status === 0 || status === 429 || status >= 500
      saveState.value = status === 409 ? 'conflict' : isWorthRetrying ? 'offline' : 'refused'
      if (isWorthRetrying) timer = setTimeout(() => void save(), retryAfterMs)
      if (saveState.value === 'refused') refusal.value = wordsOf(error)
    }
  }

  /** Puts the saved draft on air. */
  async function putOnAir(): Promise<void> {
    await save()
    if (!view.value || saveState.value !== 'saved') throw new Error('The last edits are not saved yet. Try again in a moment.')
    view.value = await request<BoxView>('POST', `/api/boxes/${view.value.id}/versions`, { revision })
  }

  /** Drops what was not saved and shows what the server has: the way out of a conflict. */
  async function loadTheirs(): Promise<void> {
    if (!view.value) return
    const { id } = view.value
    keepPending(id, { baseRevision: revision, patches: [] })
    await open(id)
  }

  return {
    view,
    document,
    saveState,
    savedAtMs,
    refusal,
    undoLabel: computed(() => history.value.past.at(-1)?.label ?? null),
    redoLabel: computed(() => history.value.future[0]?.label ?? null),
    differences: computed(() => (document.value ? describeDifferences(view.value?.airDocument ?? null, document.value, media.names) : [])),
    open,
    edit,
    undo: () => travel(undo),
    redo: () => travel(redo),
    save,
    putOnAir,
    loadTheirs,
  }
})
