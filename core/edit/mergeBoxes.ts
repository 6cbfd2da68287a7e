import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { err, ok, type Result } from '../result.ts'
import { mergeJson, type Json } from './mergeJson.ts'

/**
 * Brings two editors' versions of a box together.
 * @param base what both began with
 * @returns the merged box with the paths at which both had changed the same thing (there mine stands), or why the two
 * cannot stand in one box
 */
export function mergeBoxes(
  base: BoxDocument,
  theirs: BoxDocument,
  mine: BoxDocument,
): Result<{ document: BoxDocument; conflicts: string[] }, string> {
  const { value, conflicts } = mergeJson(base as unknown as Json, theirs as unknown as Json, mine as unknown as Json)
  const checked = boxDocument.safeParse(value)
  if (!checked.success) return err(checked.error.issues[0]?.message ?? 'the two versions do not fit together')
  return ok({ document: checked.data, conflicts })
}
