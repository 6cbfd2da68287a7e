import { changeParts } from '../../../core/edit/changeParts.ts'
import type { Part, PartKind } from '../../../core/score/parts/part.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

/**
 * Edits of the part that the inspector shows, and of all others of its kind that are selected with it.
 * @param reach `one`: what makes no sense for several, such as where a part stands
 */
export function usePartEdit<K extends PartKind>(
  part: () => Extract<Part, { kind: K }>,
  reach: 'selected' | 'one' = 'selected',
) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  /** @param what in words, for the undo list */
  return (what: string, recipe: (part: Extract<Part, { kind: K }>) => void): void => {
    const { id, kind, name } = part()
    const alike = room.selected.filter((each) => each.kind === kind).map((each) => each.id)
    // Words are each part’s own.
    const ids = reach === 'selected' && what !== 'words' && alike.includes(id) ? alike : [id]
    if (room.address)
      draft.edit(
        changeParts(
          room.address,
          ids,
          kind as K,
          ids.length > 1 ? `${ids.length} parts: ${what}` : `${name}: ${what}`,
          recipe,
        ),
      )
  }
}
