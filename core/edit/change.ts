import { apply, create, type Draft, type Patches } from 'mutative'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { err, ok, type Result } from '../result.ts'

/** One edit of a box, with what undoes it. Patches are small JSON and travel to the server as they are. */
export interface Change {
  label: string
  /** Edits with the same key that follow each other quickly count as one (a slider being dragged). */
  mergeKey: string | null
  patches: Patches
  inverse: Patches
}

/** An edit as a recipe: it changes a draft in place. Recipes are what the files of this room export. */
export interface Edit {
  label: string
  mergeKey?: string
  recipe: (draft: Draft<BoxDocument>) => void
}

/**
 * Applies an edit and checks the result against the schema. Also the dry run: an edit that is refused changes nothing.
 * @returns the new document and its change (null where nothing was different), or why the result would not be valid.
 */
export function changeBox(document: BoxDocument, edit: Edit): Result<{ document: BoxDocument; change: Change | null }, string> {
  const [next, patches, inverse] = create(document, edit.recipe, { enablePatches: true })
  if (patches.length === 0) return ok({ document, change: null })
  const checked = boxDocument.safeParse(next)
  if (!checked.success) {
    const issue = checked.error.issues[0]
    return err(issue ? `${issue.path.join(' › ')}: ${issue.message}` : 'the result is not valid')
  }
  return ok({ document: next, change: { label: edit.label, mergeKey: edit.mergeKey ?? null, patches, inverse } })
}

/** Applies patches that were made by a change. @throws when they do not fit the document. */
export function applyPatches(document: BoxDocument, patches: Patches): BoxDocument {
  return apply(document, patches)
}
