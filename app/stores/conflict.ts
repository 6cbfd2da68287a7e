import type { BoxDocument } from '../../core/composition/box.ts'
import { describeDifferences } from '../../core/edit/differences/describeDifferences.ts'
import type { Difference, Telling } from '../../core/edit/differences/difference.ts'
import { emptyHistory, remember, type History } from '../../core/edit/history.ts'
import { mergeBoxes } from '../../core/edit/mergeBoxes.ts'
import { replacePatches } from '../../core/edit/replaceBox.ts'
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

export function describeConflict(
  base: BoxDocument,
  mine: BoxDocument,
  theirs: BoxView,
  telling: Partial<Telling>,
): Conflict {
  const merged = mergeBoxes(base, theirs.document, mine)
  return {
    base,
    mine,
    theirs,
    theirChanges: describeDifferences(base, theirs.document, telling),
    myChanges: describeDifferences(base, mine, telling),
    merged: merged.ok ? merged.value.document : null,
    clashes: merged.ok ? merged.value.conflicts.length : 0,
  }
}

/** A history of one step that leads from one document to another and back: no way out of a conflict loses anything. */
export function oneStepHistory(label: string, from: BoxDocument, to: BoxDocument, nowMs: number): History {
  return remember(
    emptyHistory,
    { label, mergeKey: null, patches: replacePatches(from, to), inverse: replacePatches(to, from) },
    nowMs,
  )
}
