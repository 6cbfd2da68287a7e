import type { Patches } from 'mutative'
import type { BoxDocument } from '../../core/composition/box.ts'
import { describeDifferences, type Difference, type MediaNames } from '../../core/edit/describeDifferences.ts'
import { emptyHistory, remember, type History } from '../../core/edit/history.ts'
import { mergeBoxes } from '../../core/edit/mergeBoxes.ts'
import { isSame } from '../../core/isSame.ts'
import type { BoxView } from '../../contract/views.ts'

/** Two editors changed one box: what each did since they had the same. */
export interface Conflict {
  base: BoxDocument
  mine: BoxDocument
  theirs: BoxView
  theirChanges: Difference[]
  myChanges: Difference[]
  /** Both together; null where the two cannot stand in one box. */
  merged: BoxDocument | null
  /** How many values both had changed differently; there mine stands in `merged`. */
  clashes: number
}

export function describeConflict(base: BoxDocument, mine: BoxDocument, theirs: BoxView, names: MediaNames): Conflict {
  const merged = mergeBoxes(base, theirs.document, mine)
  return {
    base,
    mine,
    theirs,
    theirChanges: describeDifferences(base, theirs.document, names),
    myChanges: describeDifferences(base, mine, names),
    merged: merged.ok ? merged.value.document : null,
    clashes: merged.ok ? merged.value.conflicts.length : 0,
  }
}

const fields = ['canvas', 'look', 'zones', 'alerts'] as const

/** What turns one whole document into another, field by field. */
export function replacePatches(from: BoxDocument, to: BoxDocument): Patches {
  return fields
    .filter((field) => !isSame(from[field], to[field]))
    .map((field) => ({ op: 'replace', path: [field], value: to[field] }))
}

/** A history of one step that leads from one document to another and back: no way out of a conflict loses anything. */
export function oneStepHistory(label: string, from: BoxDocument, to: BoxDocument, nowMs: number): History {
  return remember(
    emptyHistory,
    { label, mergeKey: null, patches: replacePatches(from, to), inverse: replacePatches(to, from) },
    nowMs,
  )
}
