import { apply, type Patches } from 'mutative'
import { boxVersion } from '../composition/box.ts'
import { migrateBox, type StoredBox } from '../composition/migrateBox.ts'
import type { Change } from './change.ts'
import { diffPatches } from './diffPatches.ts'
import { emptyHistory, type History } from './history.ts'

/**
 * What can be undone and redone, brought to the form of today: changes are places in documents, and these have moved.
 * Every state that undo and redo lead to is made again, migrated, and compared with its neighbour.
 * @param newest the document that the history belongs to, as it was kept
 * @returns the history of the migrated document; an empty one where it does not fit what was kept
 */
export function migrateHistory(history: History, newest: StoredBox): History {
  if (newest.version === boxVersion) return history
  try {
    const past = walk(newest, [...history.past].reverse(), ({ inverse }) => inverse).reverse()
    const future = walk(newest, history.future, ({ patches }) => patches)
    return {
      past: past.map(({ change, from, to }) => anew(change, to, from)),
      future: future.map(({ change, from, to }) => anew(change, from, to)),
      lastAtMs: history.lastAtMs,
    }
  } catch {
    return emptyHistory
  }
}

interface Walked {
  change: Change
  from: StoredBox
  to: StoredBox
}

function walk(start: StoredBox, changes: readonly Change[], patchesOf: (change: Change) => Patches): Walked[] {
  let at = start
  return changes.map((change) => {
    const from = at
    at = apply(from, patchesOf(change)) as StoredBox
    return { change, from, to: at }
  })
}

function anew(change: Change, before: StoredBox, after: StoredBox): Change {
  const [from, to] = [migrateBox(before), migrateBox(after)]
  return { ...change, patches: diffPatches(from, to), inverse: diffPatches(to, from) }
}
