import type { Part, PartKind } from '../score/parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

type PartOf<K extends PartKind> = Extract<Part, { kind: K }>

/**
 * Changes parts by a recipe of their own kind; those that are gone or of another kind are passed over.
 * @param what what is being changed, in words for the undo list; quick repeats of the same become one step.
 */
export function changeParts<K extends PartKind>(
  address: VariationAddress,
  partIds: readonly string[],
  kind: K,
  what: string,
  recipe: (part: PartOf<K>) => void,
): Edit {
  return {
    label: what,
    mergeKey: `${address.variationId}/${partIds.join('+')}/${what}`,
    recipe: (draft) => {
      for (const part of findVariation(draft, address)?.variation.composition.parts ?? [])
        if (part.kind === kind && partIds.includes(part.id)) recipe(part as PartOf<K>)
    },
  }
}
