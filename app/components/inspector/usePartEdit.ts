import { changePart } from '../../../core/edit/changePart.ts'
import type { Part, PartKind } from '../../../core/parts/part.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

/** Edits of the part that the inspector shows. */
export function usePartEdit<K extends PartKind>(part: () => Extract<Part, { kind: K }>) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  /** @param what in words, for the undo list */
  return (what: string, recipe: (part: Extract<Part, { kind: K }>) => void): void => {
    const { id, kind, name } = part()
    if (room.address) draft.edit(changePart(room.address, id, kind as K, `${name}: ${what}`, recipe))
  }
}
