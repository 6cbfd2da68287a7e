import type { Look } from '../look/schema.ts'
import type { Edit } from './change.ts'

/** Changes the box's look; every part that refers to its roles follows, in all alerts. */
export function changeLook(what: string, recipe: (look: Look) => void): Edit {
  return { label: `look: ${what}`, mergeKey: `look/${what}`, recipe: (draft) => recipe(draft.look) }
}
