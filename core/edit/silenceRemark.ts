import type { RemarkType } from '../remarks/remarkTypes.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/** Switches a remark off for a part (or for the whole), or all of them on again (`null`). */
export function silenceRemark(
  address: VariationAddress,
  remark: { type: RemarkType; partId: string | null } | null,
): Edit {
  return {
    label: remark ? 'switch a remark off' : 'switch all remarks on',
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (!composition) return
      if (remark) composition.silenced.push(remark)
      else composition.silenced = []
    },
  }
}
