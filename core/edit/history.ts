import type { Patches } from 'mutative'
import type { BoxDocument } from '../composition/box.ts'
import type { Change } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { squashPatches } from './squashPatches.ts'

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

/** Two changes as one: on the way back, what was set again gets the value that it had first. */
function continued(first: Change, second: Change): Change {
  return {
    ...second,
    patches: joinPatches(first.patches, second.patches),
    inverse: joinPatches(second.inverse, first.inverse),
  }
}

/** Patches one after the other, each place set once: dragging sets the same ones sixty times a second. */
export function joinPatches(first: Patches, second: Patches): Patches {
  return squashPatches([...first, ...second])
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
