import type { Part } from '../parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'
import { freeId } from './freeId.ts'

/** Puts a part on top of the others, a backdrop at the back. Its id is made unique by a number at its end. */
export function addPart(address: VariationAddress, part: Part): Edit {
  return {
    label: `add ${part.name}`,
    recipe: (draft) => {
      const parts = findVariation(draft, address)?.variation.composition.parts
      if (!parts) return
      const added = { ...part, id: freeId(part.id, new Set(parts.map((each) => each.id))) }
      if (part.kind === 'backdrop') parts.unshift(added)
      else parts.push(added)
    },
  }
}
