import { readAnchor } from '../composition/anchor.ts'
import type { Edge } from '../composition/clip.ts'
import { copyOf } from '../copyOf.ts'
import type { Part } from '../score/parts/part.ts'
import { isVisiblePart } from '../score/parts/part.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'
import { freeId } from './freeId.ts'

/** How far a copy stands from its original where both are in one alert, in canvas pixels. */
const stepPx = 24

/**
 * Puts copies of parts into a variation. Anchors among the copies follow the copies; anchors to parts that the
 * variation has too stay; others become the score's own. Plates hug the copies of what they hugged.
 * @param isSame the copies come from this very variation: they are moved a little, so that they are seen
 * @returns the edit, and the ids that the copies will have
 */
export function pasteParts(
  address: VariationAddress,
  taken: readonly string[],
  copies: readonly Part[],
  isSame: boolean,
): { edit: Edit; partIds: string[] } {
  const used = new Set(taken)
  const renamed = new Map<string, string>()
  for (const part of copies) {
    const id = freeId(part.id, used)
    used.add(id)
    renamed.set(part.id, id)
  }
  const groups = new Map<string, string>()
  const follow = (edge: Edge, fallback: string): Edge => {
    const { id, point } = readAnchor(edge.at)
    const copied = renamed.get(id)
    if (copied) return { ...edge, at: `${copied}.${point}` }
    return id === 'score' || taken.includes(id)
      ? edge
      : { at: fallback, offsetMs: fallback === 'score.start' ? Math.max(0, edge.offsetMs) : 0 }
  }
  const parts = copies.map((part): Part => {
    const copy = copyOf(part)
    copy.id = renamed.get(part.id) ?? part.id
    copy.clip.start = follow(copy.clip.start, 'score.start')
    if (copy.clip.end.length === 'until') copy.clip.end.edge = follow(copy.clip.end.edge, 'score.end')
    if (copy.kind === 'backdrop')
      copy.hugs = copy.hugs.flatMap((id) => renamed.get(id) ?? (taken.includes(id) ? id : []))
    if (isVisiblePart(copy)) {
      if (copy.groupId) {
        const groupId = groups.get(copy.groupId) ?? `${copy.groupId}-${copy.id}`.slice(0, 40)
        groups.set(copy.groupId, groupId)
        copy.groupId = groupId
      }
      if (isSame) {
        copy.place.xPx += stepPx
        copy.place.yPx += stepPx
      }
    }
    return copy
  })
  return {
    partIds: parts.map((part) => part.id),
    edit: {
      label: parts.length === 1 ? `paste ${parts[0]?.name}` : `paste ${parts.length} parts`,
      recipe: (draft) => void findVariation(draft, address)?.variation.composition.parts.push(...parts),
    },
  }
}
