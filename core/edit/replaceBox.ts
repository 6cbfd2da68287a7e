import type { Draft, Patches } from 'mutative'
import { editedFields } from '../composition/boxFields.ts'
import type { BoxDocument } from '../composition/box.ts'
import { isSame } from '../isSame.ts'
import type { Edit } from './change.ts'

/** Makes the draft what another document is, as one step that can be undone. */
export function replaceBox(by: BoxDocument, label: string): Edit {
  return { label, recipe: (draft) => editedFields.forEach((field) => takeField(draft, by, field)) }
}

function takeField<Field extends keyof BoxDocument>(draft: Draft<BoxDocument>, by: BoxDocument, field: Field): void {
  ;(draft as BoxDocument)[field] = by[field]
}

/** What turns one whole document into another, field by field. */
export function replacePatches(from: BoxDocument, to: BoxDocument): Patches {
  return editedFields
    .filter((field) => !isSame(from[field], to[field]))
    .map((field) => ({ op: 'replace', path: [field], value: to[field] }))
}
