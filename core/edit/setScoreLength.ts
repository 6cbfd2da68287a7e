import type { LengthRule } from '../composition/clip.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/** Gives a variation another rule for its length: fixed, or as long as its contents within a minimum and a maximum. */
export function setScoreLength(address: VariationAddress, rule: LengthRule): Edit {
  return {
    label: 'duration',
    mergeKey: `${address.variationId}/duration`,
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (composition) composition.length = rule
    },
  }
}
