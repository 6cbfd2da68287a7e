import type { Part } from '../parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/** Puts a part on top of the others. Its id is made unique by a number at its end. */
export function addPart(address: VariationAddress, part: Part): Edit {
  return {
    label: `add ${part.name}`,
    recipe: (draft) => {
      const parts = findVariation(draft, address)?.variation.composition.parts
      if (!parts) return
      parts.push({ ...part, id: freeId(part.id, new Set(parts.map((each) => each.id))) })
    },
  }
}

function freeId(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted
  for (let number = 2; ; number++) if (!taken.has(`${wanted}-${number}`)) return `${wanted}-${number}`
}
