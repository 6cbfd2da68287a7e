import type { Part, PartKind } from '../parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

type PartOf<K extends PartKind> = Extract<Part, { kind: K }>

/**
 * Changes one part by a recipe of its own kind; nothing happens when the part is gone or of another kind.
 * @param what what is being changed, in words for the undo list; quick repeats of the same become one step.
 */
export function changePart<K extends PartKind>(
  address: VariationAddress,
  partId: string,
  kind: K,
  what: string,
  recipe: (part: PartOf<K>) => void,
): Edit {
  return {
    label: what,
    mergeKey: `${address.variationId}/${partId}/${what}`,
    recipe: (draft) => {
      const part = findVariation(draft, address)?.variation.composition.parts.find((each) => each.id === partId)
      if (part?.kind === kind) recipe(part as PartOf<K>)
    },
  }
}
