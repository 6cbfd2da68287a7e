import type { BoxDocument } from '../composition/box.ts'
import { isShelved } from '../look/fontShelf.ts'
import type { Dial } from './dial.ts'

/**
 * The typefaces of a box that do not ship with the product: of its looks, of parts on their own, and of dials. Each
 * once, in order.
 */
export function ownFamilies(
  { look, seasons, alerts }: Pick<BoxDocument, 'look' | 'seasons' | 'alerts'>,
  dials: readonly Dial[] = [],
): string[] {
  const ofLooks = [look, ...seasons.map((season) => season.look)].flatMap(({ type }) =>
    Object.values(type).map(({ family }) => family),
  )
  const ofParts = alerts.flatMap(({ variations }) =>
    variations.flatMap(({ composition }) =>
      composition.parts.flatMap((part) => ('type' in part && 'own' in part.type ? [part.type.own.family] : [])),
    ),
  )
  const ofDials = dials.flatMap((dial) => (dial.kind === 'font' ? [dial.initial] : []))
  return [...new Set([...ofLooks, ...ofParts, ...ofDials])].filter((family) => !isShelved(family)).sort()
}
