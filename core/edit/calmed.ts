import type { Composition } from '../composition/schema.ts'
import { isVisiblePart } from '../score/parts/part.ts'

/** How opaque a part becomes: in hundredths, as it is set by hand, and never more than the share. */
export const calmedOpacity = (opacity: number, share: number): number => Math.floor(opacity * share * 100) / 100

/** A composition in which some parts are less opaque; what their keyframes do to that stays. */
export function calmed(composition: Composition, parts: readonly { partId: string; share: number }[]): Composition {
  const shares = new Map(parts.map(({ partId, share }) => [partId, share]))
  return {
    ...composition,
    parts: composition.parts.map((part) => {
      const share = shares.get(part.id)
      return share !== undefined && isVisiblePart(part)
        ? { ...part, opacity: calmedOpacity(part.opacity, share) }
        : part
    }),
  }
}
