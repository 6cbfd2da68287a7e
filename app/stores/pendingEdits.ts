import type { Patches } from 'mutative'
import type { BoxDocument } from '../../core/composition/box.ts'
import type { History } from '../../core/edit/history.ts'

/** Edits that the server has not confirmed yet, with what they began with and what they led to. */
export interface UnsavedEdits {
  base: BoxDocument
  mine: BoxDocument
  patches: Patches
}

/** What the browser keeps of a box being edited, so that closing a tab loses neither edits nor what can be undone. */
export interface KeptEditing {
  baseRevision: number
  /** Null where the server has everything. */
  unsaved: UnsavedEdits | null
  history: History
}

const keyOf = (boxId: string) => `thundercrest.editing.${boxId}`
/** A browser keeps about five million letters for all boxes together. */
const keptSteps = 120

export function keepEditing(boxId: string, kept: KeptEditing): void {
  const history = { ...kept.history, past: kept.history.past.slice(-keptSteps) }
  try {
    localStorage.setItem(keyOf(boxId), JSON.stringify({ ...kept, history }))
  } catch {
    keepWithoutHistory(boxId, kept)
  }
}

/** Where there is no room for both, unsaved edits matter more than undoing. */
function keepWithoutHistory(boxId: string, kept: KeptEditing): void {
  try {
    localStorage.setItem(keyOf(boxId), JSON.stringify({ ...kept, history: { past: [], future: [], lastAtMs: 0 } }))
  } catch {
    // A full or forbidden storage leaves the server as the only keeper.
  }
}

export function readEditing(boxId: string): KeptEditing | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(boxId)) ?? 'null') as Partial<KeptEditing> | null
    return kept?.history && typeof kept.baseRevision === 'number'
      ? { baseRevision: kept.baseRevision, unsaved: kept.unsaved ?? null, history: kept.history }
      : null
  } catch {
    return null
  }
}
