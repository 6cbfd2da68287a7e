import type { BoxDocument } from '../composition/box.ts'
import type { Edit } from './change.ts'

/** Makes the draft what another document is, as one step that can be undone. */
export function replaceBox(by: BoxDocument, label: string): Edit {
  return {
    label,
    recipe: (draft) => {
      draft.canvas = by.canvas
      draft.look = by.look
      draft.seasons = by.seasons
      draft.zones = by.zones
      draft.alerts = by.alerts
      draft.packs = by.packs
      draft.design = by.design
    },
  }
}
