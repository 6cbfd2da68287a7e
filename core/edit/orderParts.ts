import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

export type OrderStep = 'front' | 'forward' | 'backward' | 'back'
const orderWords: Record<OrderStep, string> = {
  front: 'bring to the front',
  forward: 'bring forward',
  backward: 'send backward',
  back: 'send to the back',
}

/** Moves parts in drawing order; among themselves they keep theirs. */
export function orderParts(address: VariationAddress, partIds: readonly string[], step: OrderStep): Edit {
  return {
    label: orderWords[step],
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (!composition) return
      const { parts } = composition
      const moved = parts.filter((part) => partIds.includes(part.id))
      if (moved.length === 0) return
      const rest = parts.filter((part) => !partIds.includes(part.id))
      const lowest = parts.findIndex((part) => partIds.includes(part.id))
      const at = {
        front: rest.length,
        back: 0,
        forward: Math.min(rest.length, lowest + 1),
        backward: Math.max(0, lowest - 1),
      }[step]
      const ordered = [...rest.slice(0, at), ...moved, ...rest.slice(at)]
      if (ordered.some((part, index) => part.id !== parts[index]?.id)) composition.parts = ordered
    },
  }
}
