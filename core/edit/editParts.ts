import type { Part } from '../score/parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/**
 * Changes several parts by one recipe, as one step; parts that are gone are passed over.
 * @param what in words, for the undo list; quick repeats of the same become one step.
 */
export function editParts(
  address: VariationAddress,
  partIds: readonly string[],
  what: string,
  recipe: (part: Part) => void,
): Edit {
  return {
    label: what,
    mergeKey: `${address.variationId}/${partIds.join('+')}/${what}`,
    recipe: (draft) => {
      for (const part of findVariation(draft, address)?.variation.composition.parts ?? [])
        if (partIds.includes(part.id)) recipe(part)
    },
  }
}
