import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/** Gives a variation a fixed length in milliseconds. */
export function setScoreLength(address: VariationAddress, ms: number): Edit {
  return {
    label: 'duration',
    mergeKey: `${address.variationId}/duration`,
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (composition) composition.length = { rule: 'fixed', ms: Math.round(ms) }
    },
  }
}
