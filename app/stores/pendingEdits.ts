import type { Patches } from 'mutative'

/** Edits that the server has not confirmed yet, kept in the browser so that closing a tab loses nothing. */
export interface PendingEdits {
  baseRevision: number
  patches: Patches
}

const keyOf = (boxId: string) => `thundercrest.pending.${boxId}`

export function keepPending(boxId: string, pending: PendingEdits): void {
  try {
    if (pending.patches.length === 0) localStorage.removeItem(keyOf(boxId))
    else localStorage.setItem(keyOf(boxId), JSON.stringify(pending))
  } catch {
    // A full or forbidden storage leaves the server as the only keeper.
  }
}

export function readPending(boxId: string): PendingEdits | null {
  try {
    return JSON.parse(localStorage.getItem(keyOf(boxId)) ?? 'null') as PendingEdits | null
  } catch {
    return null
  }
}
