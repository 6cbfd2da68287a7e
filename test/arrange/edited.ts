import type { BoxDocument } from '../../core/composition/box.ts'
import { changeBox, type Edit } from '../../core/edit/change.ts'

/** A box with edits made one after another. @throws where one is refused */
export function edited(document: BoxDocument, ...edits: Edit[]): BoxDocument {
  return edits.reduce((before, edit) => {
    const result = changeBox(before, edit)
    if (!result.ok) throw new Error(result.error)
    return result.value.document
  }, document)
}
