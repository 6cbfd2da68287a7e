import type { Patches } from 'mutative'
import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { BoxDocument } from '../../core/composition/box.ts'
import { applyPatches, changeBox, type Edit } from '../../core/edit/change.ts'
import { describeDifferences, type Difference } from '../../core/edit/describeDifferences.ts'
import { emptyHistory, joinPatches, redo, remember, undo, type Travelled } from '../../core/edit/history.ts'
import { isSame } from '../../core/isSame.ts'
import type { BoxView } from '../../contract/views.ts'
import { ProblemError, request, wordsOf } from '../api/request.ts'
import { describeConflict, oneStepHistory, replacePatches, type Conflict } from './conflict.ts'
import { useMediaStore } from './media.ts'
import { keepEditing, readEditing, type KeptEditing } from './pendingEdits.ts'

/**
 * saved: the server has everything · waiting: edits will be sent in a moment · saving · offline: tries again ·
 * conflict: somebody else saved · refused: the server will not take these edits
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'refused'

const saveAfterMs = 500
const retryAfterMs = 3000
/** Keeping writes whole documents into the browser's storage; a page that is closed or hidden keeps at once. */
const keepAfterMs = 500
/** Edits that follow each other more slowly are a pause. */
const quietMs = 150

/** The box being edited: its draft, what can be undone, and what the server has of it. */
export const useDraftStore = defineStore('draft', () => {
  const media = useMediaStore()
  const view = shallowRef<BoxView | null>(null)
  const document = shallowRef<BoxDocument | null>(null)
  const history = shallowRef(emptyHistory)
  const saveState = ref<SaveState>('saved')
  const savedAtMs = ref<number | null>(null)
  const refusal = ref<string | null>(null)
  const conflict = shallowRef<Conflict | null>(null)
  /** What differs from air; compared once edits pause. */
  const differences = shallowRef<Difference[]>([])
  const compare = () =>
    (differences.value = document.value
      ? describeDifferences(view.value?.airDocument ?? null, document.value, media.names)
      : [])
  watchDebounced([document, view, () => media.names], compare, { debounce: quietMs })
  /** What the server has, as far as this page knows. */
  let base: BoxDocument | null = null
  let pending: Patches = []
  let inFlight: Patches = []
  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let keepTimer: ReturnType<typeof setTimeout> | undefined

  async function open(boxId: string): Promise<void> {
    clearTimeout(timer)
    const loaded = await request<BoxView>('GET', `/api/boxes/${boxId}`)
    show(loaded)
    history.value = emptyHistory
    savedAtMs.value = null
    const kept = readEditing(boxId)
    if (kept) recall(kept, loaded)
  }

  /** Shows what the server has, with nothing of ours on top. */
  function show(loaded: BoxView): void {
    view.value = loaded
    revision = loaded.revision
    base = loaded.document
    document.value = loaded.document
    pending = []
    inFlight = []
    conflict.value = null
    refusal.value = null
    saveState.value = 'saved'
  }

  /** Takes up what this browser kept when the page was closed. */
  function recall(kept: KeptEditing, loaded: BoxView): void {
    if (!kept.unsaved) {
      if (kept.baseRevision === revision) history.value = kept.history
      return
    }
    const { mine, patches } = kept.unsaved
    // The last save arrived although the page did not hear of it.
    const hasArrived = isSame(mine, loaded.document)
    if (hasArrived || kept.baseRevision === revision) {
      history.value = kept.history
      document.value = mine
      if (!hasArrived) note(patches)
    } else {
      document.value = mine
      pending = patches
      meet(kept.unsaved.base, loaded)
    }
  }

  /**
   * Applies an edit; one that would make the box invalid is refused in words and changes nothing.
   * @returns whether it was possible
   */
  function edit(made: Edit): boolean {
    if (!document.value) return false
    const changed = changeBox(document.value, made)
    refusal.value = changed.ok ? null : changed.error
    if (!changed.ok) return false
    if (!changed.value.change) return true
    document.value = changed.value.document
    history.value = remember(history.value, changed.value.change, Date.now())
    note(changed.value.change.patches)
    return true
  }

  function travel(step: (from: typeof history.value, at: BoxDocument) => Travelled | null): void {
    const travelled = document.value ? step(history.value, document.value) : null
    if (!travelled) return
    document.value = travelled.document
    history.value = travelled.history
    note(travelled.patches)
  }

  function note(patches: Patches): void {
    pending = joinPatches(pending, patches)
    keepTimer ??= setTimeout(keep, keepAfterMs)
    if (conflict.value && base) meet(base, conflict.value.theirs)
    if (isStuck()) return
    if (saveState.value !== 'saving') saveState.value = 'waiting'
    clearTimeout(timer)
    timer = setTimeout(() => void save(), saveAfterMs)
  }

  /** Saving more on top would be refused again; the person decides what happens. */
  const isStuck = () => saveState.value === 'conflict' || saveState.value === 'refused'

  function keep(): void {
    clearTimeout(keepTimer)
    keepTimer = undefined
    if (!view.value || !base || !document.value) return
    const patches = [...inFlight, ...pending]
    keepEditing(view.value.id, {
      baseRevision: revision,
      history: history.value,
      unsaved: patches.length > 0 ? { base, mine: document.value, patches } : null,
    })
  }

  /** Sends what is pending. Resolves when the server has everything, or with what stopped it in `saveState`. */
  async function save(keepalive = false): Promise<void> {
    clearTimeout(timer)
    if (keepTimer) keep()
    if (!view.value || !base || inFlight.length > 0 || pending.length === 0 || isStuck()) return
    inFlight = pending
    pending = []
    saveState.value = 'saving'
    try {
      const answer = await request<{ revision: number }>(
        'PATCH',
        `/api/boxes/${view.value.id}/draft`,
        { baseRevision: revision, patches: inFlight },
        { keepalive },
      )
      revision = answer.revision
      base = applyPatches(base, inFlight)
      inFlight = []
      savedAtMs.value = Date.now()
      saveState.value = pending.length > 0 ? 'waiting' : 'saved'
      keep()
      if (pending.length > 0) await save()
    } catch (error) {
      pending = [...inFlight, ...pending]
      inFlight = []
      await failed(error)
    }
  }

  async function failed(error: unknown): Promise<void> {
    const status = error instanceof ProblemError ? error.status : 0
    if (status === 409 && view.value && base) {
      saveState.value = 'conflict'
      const theirs = await request<BoxView>('GET', `/api/boxes/${view.value.id}`).catch(() => null)
      if (theirs) meet(base, theirs)
      return
    }
    // Not reached, too busy or broken there: worth another try. Anything else would be refused again.
    const isWorthRetrying = status === 0 || status === 429 || status >= 500
    saveState.value = isWorthRetrying ? 'offline' : 'refused'
    if (isWorthRetrying) timer = setTimeout(() => void save(), retryAfterMs)
    else refusal.value = wordsOf(error)
  }

  /** Two versions of one box: nothing is saved until the person has chosen. */
  function meet(from: BoxDocument, theirs: BoxView): void {
    if (!document.value) return
    base = from
    saveState.value = 'conflict'
    conflict.value = describeConflict(from, document.value, theirs, media.names)
    keep()
  }

  /**
   * Ends a conflict: with both together, or with what the other editor has. Either can be undone, back to what was
   * here.
   */
  function settle(choice: 'both' | 'theirs'): void {
    const met = conflict.value
    if (!met) return
    const chosen = choice === 'both' && met.merged ? met.merged : met.theirs.document
    show(met.theirs)
    document.value = chosen
    history.value = oneStepHistory(
      choice === 'both' ? 'bring both together' : 'take theirs',
      met.mine,
      chosen,
      Date.now(),
    )
    const patches = replacePatches(met.theirs.document, chosen)
    if (patches.length > 0) note(patches)
    else keep()
  }

  /** Puts the saved draft on air. */
  async function putOnAir(): Promise<void> {
    await save()
    if (!view.value || saveState.value !== 'saved')
      throw new Error('The last edits are not saved yet. Try again in a moment.')
    view.value = await request<BoxView>('POST', `/api/boxes/${view.value.id}/versions`, { revision })
  }

  /** Drops what the server refused and shows what it has. */
  async function loadSaved(): Promise<void> {
    if (!view.value) return
    keepEditing(view.value.id, { baseRevision: revision, unsaved: null, history: emptyHistory })
    await open(view.value.id)
  }

  return {
    view,
    document,
    saveState,
    savedAtMs,
    refusal,
    conflict,
    /** The step that undo would take back. */
    newestStep: computed(() => history.value.past.at(-1) ?? null),
    undoLabel: computed(() => history.value.past.at(-1)?.label ?? null),
    redoLabel: computed(() => history.value.future[0]?.label ?? null),
    differences,
    open,
    edit,
    undo: () => travel(undo),
    redo: () => travel(redo),
    save,
    keep,
    settle,
    putOnAir,
    loadSaved,
  }
})
