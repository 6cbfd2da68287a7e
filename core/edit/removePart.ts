import { readAnchor } from '../composition/anchor.ts'
import type { Clip, Edge } from '../composition/clip.ts'
import { isVisiblePart } from '../parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'

/**
 * Takes a part away. What was anchored to it is re-anchored to the score's start or end, so that nothing hangs on a part
 * that is gone; plates stop hugging it.
 */
export function removePart(address: VariationAddress, partId: string): Edit {
  return {
    label: 'remove a part',
    recipe: (draft) => {
      const composition = findVariation(draft, address)?.variation.composition
      if (!composition) return
      composition.parts = composition.parts.filter((each) => each.id !== partId)
      for (const part of composition.parts) {
        loosen(part.clip, partId)
        if (isVisiblePart(part) && part.kind === 'backdrop') part.hugs = part.hugs.filter((id) => id !== partId)
      }
    },
  }
}

function loosen(clip: Clip, partId: string): void {
  const hangsOn = (edge: Edge) => readAnchor(edge.at).id === partId
  if (hangsOn(clip.start)) clip.start = { at: 'score.start', offsetMs: Math.max(0, clip.start.offsetMs) }
  if (clip.end.length === 'until' && hangsOn(clip.end.edge)) clip.end = { length: 'until', edge: { at: 'score.end', offsetMs: 0 } }
}
