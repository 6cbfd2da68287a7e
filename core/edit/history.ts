import type { Patches } from 'mutative'
import type { BoxDocument } from '../composition/box.ts'
import { applyPatches, type Change } from './change.ts'

/** What can be undone and redone. Plain JSON. */
export interface History {
  past: Change[]
  future: Change[]
  /** When the newest change was made; epoch milliseconds. */
  lastAtMs: number
}

export const emptyHistory: History = { past: [], future: [], lastAtMs: 0 }

const maxSteps = 300
const mergeWithinMs = 900

/** Remembers a change; what could be redone is forgotten. */
export function remember(history: History, change: Change, nowMs: number): History {
  const previous = history.past.at(-1)
  const isContinued =
    previous !== undefined &&
    change.mergeKey !== null &&
    previous.mergeKey === change.mergeKey &&
    nowMs - history.lastAtMs < mergeWithinMs
  const past = isContinued ? [...history.past.slice(0, -1), continued(previous, change)] : [...history.past, change]
  return { past: past.slice(-maxSteps), future: [], lastAtMs: nowMs }
}

/**
 * Two changes as one. Where the second only sets again what the first had set, the first's way back is all that is
 * needed.
 */
function continued(first: Change, second: Change): Change {
  const patches = joinPatches(first.patches, second.patches)
  const isSetAgain = patches.length === second.patches.length
  return { ...second, patches, inverse: isSetAgain ? first.inverse : [...second.inverse, ...first.inverse] }
}

/** Patches one after the other; a value that is set again right away is set once: dragging makes sixty a second. */
export function joinPatches(first: Patches, second: Patches): Patches {
  const tail = first.slice(-second.length)
  const endsSame =
    second.length > 0 &&
    tail.length === second.length &&
    tail.every(
      (patch, index) =>
        patch.op === 'replace' && second[index]?.op === 'replace' && samePath(patch.path, second[index].path),
    )
  return endsSame ? [...first.slice(0, -second.length), ...second] : [...first, ...second]
}

function samePath(a: Patches[number]['path'], b: Patches[number]['path']): boolean {
  return String(a) === String(b)
}

export interface Travelled {
  history: History
  document: BoxDocument
  /** What was applied: also what a save has to send. */
  patches: Change['patches']
  label: string
}

/** Takes the newest change back; null when there is none. */
export function undo(history: History, document: BoxDocument): Travelled | null {
  const change = history.past.at(-1)
  if (!change) return null
  return {
    history: { past: history.past.slice(0, -1), future: [change, ...history.future], lastAtMs: 0 },
    document: applyPatches(document, change.inverse),
    patches: change.inverse,
    label: change.label,
  }
}

/** Makes the change that was undone last again; null when there is none. */
export function redo(history: History, document: BoxDocument): Travelled | null {
  const [change, ...future] = history.future
  if (!change) return null
  return {
    history: { past: [...history.past, change], future, lastAtMs: 0 },
    document: applyPatches(document, change.patches),
    patches: change.patches,
    label: change.label,
  }
}
