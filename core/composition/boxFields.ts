import type { BoxDocument } from './box.ts'

/** Every field of a box document, and whether edits change it. The compiler names a field that is missing here. */
const isEdited = {
  version: false,
  canvas: true,
  look: true,
  seasons: true,
  zones: true,
  alerts: true,
  packs: true,
  design: true,
  policy: true,
  stays: false,
} as const satisfies Record<keyof Required<BoxDocument>, boolean>

type EditedField = {
  [Field in keyof BoxDocument]-?: (typeof isEdited)[Field] extends true ? Field : never
}[keyof BoxDocument]

/** The fields that edits change: what a document is replaced by, field by field. */
export const editedFields = (Object.keys(isEdited) as (keyof BoxDocument)[]).filter(
  (field): field is EditedField => isEdited[field],
)
