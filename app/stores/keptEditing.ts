import type { BoxDocument } from '../../core/composition/box.ts'
import { migrateBox, type StoredBox } from '../../core/composition/migrateBox.ts'
import { emptyHistory, type History } from '../../core/edit/history.ts'
import { migrateHistory } from '../../core/edit/migrateHistory.ts'

/** What the browser keeps of a box being edited, so that closing a tab loses neither edits nor what can be undone. */
export interface KeptEditing {
  baseRevision: number
  /** What the server had; null where it has everything that is here. */
  base: BoxDocument | null
  /** What is here; what can be undone belongs to it. */
  mine: BoxDocument
  history: History
}

const prefix = 'thundercrest.editing.'
const keyOf = (boxId: string) => `${prefix}${boxId}`
/** A browser keeps about five million letters for all boxes together. */
const keptSteps = 120

export function keepEditing(boxId: string, kept: KeptEditing): void {
  const history = { ...kept.history, past: kept.history.past.slice(-keptSteps) }
  const isKept =
    store(boxId, { ...kept, history }) ||
    (forgetOthers(boxId) && store(boxId, { ...kept, history })) ||
    // Where there is no room for both, unsaved edits matter more than undoing.
    store(boxId, { ...kept, history: emptyHistory })
  // A full or forbidden storage leaves the server as the only keeper; what it has is not worth a stale entry here.
  if (!isKept) forgetEditing(boxId)
}

export function forgetEditing(boxId: string): void {
  try {
    localStorage.removeItem(keyOf(boxId))
  } catch {
    // Where nothing may be kept, nothing is.
  }
}

function store(boxId: string, kept: KeptEditing): boolean {
  try {
    localStorage.setItem(keyOf(boxId), JSON.stringify(kept))
    return true
  } catch {
    return false
  }
}

/** Makes room: what could be undone in other boxes goes, what the server does not have of them stays. */
function forgetOthers(boxId: string): boolean {
  try {
    const others = Object.keys(localStorage).filter((key) => key.startsWith(prefix) && key !== keyOf(boxId))
    for (const key of others) if (read(key.slice(prefix.length))?.base === null) localStorage.removeItem(key)
    return others.length > 0
  } catch {
    return false
  }
}

/** What was kept of a box, in the form of today whichever version of this program kept it; null where nothing can be used. */
export function readEditing(boxId: string): KeptEditing | null {
  try {
    const kept = read(boxId)
    if (!kept) return null
    return {
      baseRevision: kept.baseRevision,
      base: kept.base && migrateBox(kept.base),
      mine: migrateBox(kept.mine),
      history: migrateHistory(kept.history, kept.mine),
    }
  } catch {
    return null
  }
}

interface StoredEditing {
  baseRevision: number
  base: StoredBox | null
  mine: StoredBox
  history: History
}

/** As it was kept before `mine` stood with it always. */
interface EarlierEditing {
  baseRevision: number
  unsaved: { base: StoredBox; mine: StoredBox } | null
  history: History
}

function read(boxId: string): StoredEditing | null {
  const kept = JSON.parse(localStorage.getItem(keyOf(boxId)) ?? 'null') as Partial<
    StoredEditing & EarlierEditing
  > | null
  if (!kept?.history || typeof kept.baseRevision !== 'number') return null
  const { baseRevision, history } = kept
  if (kept.mine) return { baseRevision, history, base: kept.base ?? null, mine: kept.mine }
  if (kept.unsaved) return { baseRevision, history, ...kept.unsaved }
  return null
}
