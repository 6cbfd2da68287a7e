import type { BoxDocument } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import type { Part } from '../parts/part.ts'

/** One part that shows or sounds a file. */
export interface MediaUse {
  mediaId: string
  kind: EventKind
  alertId: string
  variationId: string
  variationName: string
  partId: string
  partName: string
}

/** The files that a part refers to, each once. */
export function mediaOfPart(part: Part): string[] {
  if (part.kind === 'particles') return [...new Set(part.sprites.flatMap((sprite) => (sprite.from === 'picture' ? [sprite.mediaId] : [])))]
  return 'mediaId' in part && part.mediaId !== null ? [part.mediaId] : []
}

/** Everything in a box that refers to a file. Linear in its parts. */
export function mediaUses({ alerts }: BoxDocument): MediaUse[] {
  return alerts.flatMap(({ id: alertId, kind, variations }) =>
    variations.flatMap(({ id: variationId, name: variationName, composition }) =>
      composition.parts.flatMap((part) => mediaOfPart(part).map((mediaId) => ({ mediaId, kind, alertId, variationId, variationName, partId: part.id, partName: part.name }))),
    ),
  )
}

/** Names a use within its box. */
export const placeOfUse = ({ alertId, variationId, partId }: Pick<MediaUse, 'alertId' | 'variationId' | 'partId'>) => `${alertId}/${variationId}/${partId}`

/**
 * Puts one file in the place of another wherever it is used, or only at the given places.
 * @returns the changed box and the places at which it changed: with them the reverse is one call
 */
export function replaceMedia(document: BoxDocument, from: string, to: string, only: readonly string[] | null): { document: BoxDocument; places: string[] } {
  const places: string[] = []
  const changed: BoxDocument = {
    ...document,
    alerts: document.alerts.map((alert) => ({
      ...alert,
      variations: alert.variations.map((variation) => ({
        ...variation,
        composition: {
          ...variation.composition,
          parts: variation.composition.parts.map((part) => {
            const place = placeOfUse({ alertId: alert.id, variationId: variation.id, partId: part.id })
            if (!mediaOfPart(part).includes(from) || (only && !only.includes(place))) return part
            places.push(place)
            return withMedia(part, from, to)
          }),
        },
      })),
    })),
  }
  return places.length > 0 ? { document: changed, places } : { document, places }
}

function withMedia(part: Part, from: string, to: string): Part {
  if (part.kind === 'particles') return { ...part, sprites: part.sprites.map((sprite) => (sprite.from === 'picture' && sprite.mediaId === from ? { ...sprite, mediaId: to } : sprite)) }
  return part.kind === 'picture' || part.kind === 'sound' ? { ...part, mediaId: to } : part
}
