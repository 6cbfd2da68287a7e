import type { Patches } from 'mutative'
import { ref, shallowRef } from 'vue'
import { maxDraftPatches } from '../../contract/draftLimits.ts'
import type { BoxView } from '../../contract/views.ts'
import type { BoxDocument } from '../../core/composition/box.ts'
import { changeBox, type Edit } from '../../core/edit/change.ts'
import { applyPatches } from '../../core/edit/applyPatches.ts'
import { diffPatches } from '../../core/edit/diffPatches.ts'
import type { Telling } from '../../core/edit/differences/difference.ts'
import { emptyHistory, joinPatches, remember, type Travelled } from '../../core/edit/history.ts'
import { replacePatches } from '../../core/edit/replaceBox.ts'
import { isSame } from '../../core/isSame.ts'
import { ProblemError, request, wordsOf } from '../api/request.ts'
import { describeConflict, oneStepHistory, type Conflict } from './conflict.ts'
import { forgetEditing, keepEditing, readEditing, type KeptEditing } from './keptEditing.ts'

/**
 * saved: the server has everything · waiting: edits will be sent in a moment · saving · offline: tries again ·
 * conflict: somebody else saved · refused: the server will not take these edits
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'refused'

const saveAfterMs = 500
const retryAfterMs = 3000
/** Keeping writes whole documents into the browser's storage; a page that is closed or hidden keeps at once. */
const keepAfterMs = 500

export type DraftSession = ReturnType<typeof createDraftSession>

/**
 * The editing of one box: its draft, what can be undone, and what the server has of it. It lives on when another box is
 * opened, until the server has everything: a save belongs to the box that it was begun for.
 * @param telling how differences are put into words in a conflict
 */
export function createDraftSession(boxId: string, telling: () => Partial<Telling>) {
  const view = shallowRef<BoxView | null>(null)
  const document = shallowRef<BoxDocument | null>(null)
  const history = shallowRef(emptyHistory)
  const saveState = ref<SaveState>('saved')
  const savedAtMs = ref<number | null>(null)
  const refusal = ref<string | null>(null)
  const conflict = shallowRef<Conflict | null>(null)
  /** What the server has, as far as this page knows. */
  let base: BoxDocument | null = null
  let pending: Patches = []
  let inFlight: Patches = []
  let revision = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let keepTimer: ReturnType<typeof setTimeout> | undefined
  /** What is said to the server about this box is said in turn. */
  let turns: Promise<unknown> = Promise.resolve()
  let saving: Promise<void> | null = null

  function inTurn<Answer>(work: () => Promise<Answer>): Promise<Answer> {
    const turn = turns.then(work)
    turns = turn.catch(() => undefined)
    return turn
  }

  /** Loads the box, with what this browser kept of it on top. */
  async function load(): Promise<void> {
    const loaded = await request<BoxView>('GET', `/api/boxes/${boxId}`)
    show(loaded)
    const kept = readEditing(boxId)
    if (kept) recall(kept, loaded)
  }

  /** Shows what the server has, with nothing of ours on top. */
  function show(loaded: BoxView): void {
    clearTimeout(timer)
    view.value = loaded
    revision = loaded.revision
    base = loaded.document
    document.value = loaded.document
    history.value = emptyHistory
    pending = []
    inFlight = []
    conflict.value = null
    refusal.value = null
    saveState.value = 'saved'
  }

  /** Takes up what this browser kept when the page was closed. */
  function recall(kept: KeptEditing, loaded: BoxView): void {
    const isSameRevision = kept.baseRevision === revision
    // The last save may have arrived although the page did not hear of it.
    const hasArrived = isSame(kept.mine, loaded.document)
    if (hasArrived ? isSameRevision || kept.base : isSameRevision && kept.base) {
      history.value = kept.history
      document.value = kept.mine
      if (!hasArrived) note(diffPatches(loaded.document, kept.mine))
    } else if (kept.base && !hasArrived) {
      document.value = kept.mine
      history.value = kept.history
      pending = diffPatches(kept.base, kept.mine)
      meet(kept.base, loaded)
    }
  }

  /** Applies an edit; one that would make the box invalid is refused in words and changes nothing. @returns whether it was possible */
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
    if (saveState.value === 'conflict') return
    if (saveState.value !== 'saving') saveState.value = 'waiting'
    planSave(saveAfterMs)
  }

  function planSave(afterMs: number): void {
    clearTimeout(timer)
    timer = setTimeout(() => void save(), afterMs)
  }

  /** Whether the server does not have everything yet. */
  const hasUnsaved = () => inFlight.length > 0 || pending.length > 0

  function keep(): void {
    clearTimeout(keepTimer)
    keepTimer = undefined
    if (!base || !document.value) return
    keepEditing(boxId, {
      baseRevision: revision,
      base: hasUnsaved() ? base : null,
      mine: document.value,
      history: history.value,
    })
  }

  /**
   * Sends what is pending. Whoever asks while a save is under way gets the promise of that one: it resolves when the
   * server has everything, or with what stopped it in `saveState`.
   */
  function save(keepalive = false): Promise<void> {
    clearTimeout(timer)
    if (keepTimer) keep()
    saving ??= inTurn(() => sendPending(keepalive)).finally(() => (saving = null))
    return saving
  }

  async function sendPending(keepalive: boolean): Promise<void> {
    while (base && document.value && pending.length > 0 && saveState.value !== 'conflict') {
      clearTimeout(timer)
      inFlight = pending
      pending = []
      saveState.value = 'saving'
      const becomes = applyPatches(base, inFlight)
      try {
        const body = { baseRevision: revision, patches: fewPatches(base, becomes, inFlight) }
        const answer = await request<{ revision: number }>('PATCH', `/api/boxes/${boxId}/draft`, body, { keepalive })
        revision = answer.revision
        base = becomes
        inFlight = []
        savedAtMs.value = Date.now()
        refusal.value = null
        saveState.value = pending.length > 0 ? 'waiting' : 'saved'
        keep()
      } catch (error) {
        pending = joinPatches(inFlight, pending)
        inFlight = []
        return failed(error)
      }
    }
  }

  async function failed(error: unknown): Promise<void> {
    const status = error instanceof ProblemError ? error.status : 0
    if (status === 409 && base) {
      saveState.value = 'conflict'
      const theirs = await request<BoxView>('GET', `/api/boxes/${boxId}`).catch(() => null)
      if (theirs) meet(base, theirs)
      return
    }
    // Not reached, too busy or broken there: worth another try. Anything else would be refused again until it is edited.
    const isWorthRetrying = status === 0 || status === 429 || status >= 500
    saveState.value = isWorthRetrying ? 'offline' : 'refused'
    if (isWorthRetrying) planSave(retryAfterMs)
    else refusal.value = wordsOf(error)
  }

  /** Two versions of one box: nothing is saved until the person has chosen. */
  function meet(from: BoxDocument, theirs: BoxView): void {
    if (!document.value) return
    base = from
    saveState.value = 'conflict'
    conflict.value = describeConflict(from, document.value, theirs, telling())
    keep()
  }

  /** Ends a conflict: with both together, or with what the other editor has. Either can be undone, back to what was here. */
  function settle(choice: 'both' | 'theirs'): void {
    const met = conflict.value
    if (!met) return
    const chosen = choice === 'both' && met.merged ? met.merged : met.theirs.document
    show(met.theirs)
    document.value = chosen
    const label = choice === 'both' ? 'bring both together' : 'take theirs'
    history.value = oneStepHistory(label, met.mine, chosen, Date.now())
    const patches = replacePatches(met.theirs.document, chosen)
    if (patches.length > 0) note(patches)
    else keep()
  }

  /** Puts the draft on air once the server has all of it; edits made meanwhile are saved after that. */
  async function putOnAir(): Promise<void> {
    await save()
    await inTurn(async () => {
      // What was edited in between is not on the list that the person saw, but goes with what this page shows.
      await sendPending(false)
      if (saveState.value !== 'saved') throw new Error('The last edits are not saved yet. Try again in a moment.')
      view.value = await request<BoxView>('POST', `/api/boxes/${boxId}/versions`, { revision })
    })
  }

  /** Ends the session once what is being said is said. What could not be said stays kept in the browser. */
  async function close(): Promise<void> {
    keep()
    await saving
    clearTimeout(timer)
    clearTimeout(keepTimer)
  }

  /** Drops what the server refused and shows what it has. */
  async function loadSaved(): Promise<void> {
    forgetEditing(boxId)
    await load()
  }

  return {
    boxId,
    view,
    document,
    history,
    saveState,
    savedAtMs,
    refusal,
    conflict,
    hasUnsaved,
    load,
    close,
    edit,
    travel,
    save,
    keep,
    settle,
    putOnAir,
    loadSaved,
  }
}

/** The same change in as many patches as a save takes: place by place, else field by field. */
function fewPatches(from: BoxDocument, to: BoxDocument, patches: Patches): Patches {
  if (patches.length <= maxDraftPatches) return patches
  const places = diffPatches(from, to)
  return places.length <= maxDraftPatches ? places : replacePatches(from, to)
}
