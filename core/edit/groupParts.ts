import { isVisiblePart } from '../score/parts/part.ts'
import type { Composition } from '../composition/schema.ts'
import type { Edit } from './change.ts'
import { editParts } from './editParts.ts'
import type { VariationAddress } from './findVariation.ts'
import { freeId } from './freeId.ts'

/** Binds parts together; a part of another group changes over. */
export function groupParts(address: VariationAddress, composition: Composition, partIds: readonly string[]): Edit {
  const taken = new Set(
    composition.parts.flatMap((part) => (isVisiblePart(part) && part.groupId ? [part.groupId] : [])),
  )
  const groupId = freeId('group', taken)
  return editParts(address, partIds, 'group', (part) => {
    if (isVisiblePart(part)) part.groupId = groupId
  })
}

/** Lets the groups of these parts go. */
export function ungroupParts(address: VariationAddress, composition: Composition, partIds: readonly string[]): Edit {
  return editParts(address, withGroups(composition, partIds), 'ungroup', (part) => {
    if (isVisiblePart(part)) part.groupId = null
  })
}

/** These parts and all that are grouped with them. */
export function withGroups(composition: Composition, partIds: readonly string[]): string[] {
  const groups = new Set(
    composition.parts.flatMap((part) =>
      isVisiblePart(part) && part.groupId && partIds.includes(part.id) ? [part.groupId] : [],
    ),
  )
  return composition.parts
    .filter(
      (part) => partIds.includes(part.id) || (isVisiblePart(part) && part.groupId !== null && groups.has(part.groupId)),
    )
    .map((part) => part.id)
}
