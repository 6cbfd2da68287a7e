import { readAnchor } from '../composition/anchor.ts'
import type { Clip, Edge } from '../composition/clip.ts'
import { untilTheEnd } from '../composition/untilTheEnd.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/**
 * Takes parts away. What was anchored to them is re-anchored to the score's start or end, so that nothing hangs on a
 * part that is gone; plates stop hugging them.
 */
export function removeParts(address: VariationAddress, partIds: readonly string[]): Edit {
  return {
    label: partIds.length === 1 ? 'remove a part' : `remove ${partIds.length} parts`,
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (!composition) return
      composition.parts = composition.parts.filter((each) => !partIds.includes(each.id))
      for (const part of composition.parts) {
        loosen(part.clip, partIds)
        if (part.kind === 'backdrop' && part.hugs.some((id) => partIds.includes(id)))
          part.hugs = part.hugs.filter((id) => !partIds.includes(id))
      }
    },
  }
}

function loosen(clip: Clip, partIds: readonly string[]): void {
  const hangsOn = (edge: Edge) => partIds.includes(readAnchor(edge.at).id)
  if (hangsOn(clip.start)) clip.start = { at: 'score.start', offsetMs: Math.max(0, clip.start.offsetMs) }
  if (clip.end.length === 'until' && hangsOn(clip.end.edge)) clip.end = untilTheEnd()
}
