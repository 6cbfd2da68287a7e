import { mainKind, type Alert, type BoxDocument } from '../composition/box.ts'
import type { Composition } from '../composition/schema.ts'
import { soundRoles, type Look } from '../look/schema.ts'
import type { Season } from '../look/seasons.ts'
import type { EventKind } from '../events/kinds.ts'
import type { Part } from '../score/parts/part.ts'
import { mediaOfPart, withMedia } from './partMedia.ts'

/** One part that shows or sounds a file, or a choice that an alert offers with it. */
export interface MediaUse {
  mediaId: string
  /** Null for a file of a season, which is shown in any alert. */
  kind: EventKind | null
  alertId: string
  variationId: string
  variationName: string
  partId: string
  partName: string
}

/** What seasons are where uses are named by alert. */
const seasonal = 'season'

/** What an offer is where uses are named by variation and part. */
const offered = { variationId: 'offer', variationName: 'what viewers choose' }

/** What the shared sounds of looks are there: those of the everyday one, and of seasons by their ids. */
const shared = 'shared'
const everyday = 'everyday'

/** The files that a look's shared sounds have. */
function sharedUses({ sounds, name }: Look, variationId: string): MediaUse[] {
  return soundRoles.flatMap((role) => {
    const mediaId = sounds[role]
    return mediaId === null
      ? []
      : [
          {
            mediaId,
            kind: null,
            alertId: shared,
            variationId,
            variationName: name,
            partId: role,
            partName: `the shared sound “${role}”`,
          },
        ]
  })
}

/** Everything in a box that refers to a file. Linear in its parts. */
export function mediaUses({ alerts, seasons, look }: BoxDocument): MediaUse[] {
  const swapped = seasons.flatMap(({ id, look, swaps }) =>
    swaps.map(({ to }) => ({
      mediaId: to,
      kind: null,
      alertId: seasonal,
      variationId: id,
      variationName: look.name,
      partId: to.slice(0, 12),
      partName: 'a file of the season',
    })),
  )
  const uses = alerts.flatMap((alert) => {
    const place = { alertId: alert.id, kind: mainKind(alert) }
    const choices = (alert.offer?.options ?? []).map(({ id, label, mediaId }) => ({
      mediaId,
      ...place,
      ...offered,
      partId: id,
      partName: label,
    }))
    const parts = alert.variations.flatMap(({ id: variationId, name: variationName, composition }) =>
      composition.parts.flatMap((part) =>
        mediaOfPart(part).map((mediaId) => ({
          mediaId,
          ...place,
          variationId,
          variationName,
          partId: part.id,
          partName: part.name,
        })),
      ),
    )
    return [...parts, ...choices]
  })
  return [
    ...uses,
    ...sharedUses(look, everyday),
    ...seasons.flatMap((season) => sharedUses(season.look, season.id)),
    ...swapped,
  ]
}

/** Names a use within its box. */
export const placeOfUse = ({ alertId, variationId, partId }: Pick<MediaUse, 'alertId' | 'variationId' | 'partId'>) =>
  `${alertId}/${variationId}/${partId}`

/**
 * Puts one file in the place of another wherever it is used, or only at the given places.
 * @returns the changed box and the places at which it changed: with them the reverse is one call
 */
export function replaceMedia(
  document: BoxDocument,
  from: string,
  to: string,
  only: readonly string[] | null,
): { document: BoxDocument; places: string[] } {
  const places: string[] = []
  const changed: BoxDocument = {
    ...document,
    look: withSharedReplaced(document.look, everyday, from, to, only, places),
    seasons: document.seasons.map((season) => ({
      ...season,
      look: withSharedReplaced(season.look, season.id, from, to, only, places),
      swaps: swapsWith(season, from, to, only, places),
    })),
    alerts: document.alerts.map((alert) => ({
      ...alert,
      offer: replaceOffered(alert, from, to, only, places),
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

function replaceOffered(
  { id: alertId, offer }: Alert,
  from: string,
  to: string,
  only: readonly string[] | null,
  places: string[],
): Alert['offer'] {
  return (
    offer && {
      ...offer,
      options: offer.options.map((option) => {
        const place = placeOfUse({ alertId, variationId: offered.variationId, partId: option.id })
        if (option.mediaId !== from || (only && !only.includes(place))) return option
        places.push(place)
        return { ...option, mediaId: to }
      }),
    }
  )
}

function withSharedReplaced(
  look: Look,
  variationId: string,
  from: string,
  to: string,
  only: readonly string[] | null,
  places: string[],
): Look {
  const sounds = { ...look.sounds }
  for (const role of soundRoles) {
    const place = placeOfUse({ alertId: shared, variationId, partId: role })
    if (sounds[role] !== from || (only && !only.includes(place))) continue
    places.push(place)
    sounds[role] = to
  }
  return { ...look, sounds }
}

/**
 * A file of a season is replaced as a use of its own; what it takes the place of follows where parts now have another
 * file.
 */
function swapsWith(
  { id, swaps }: Season,
  from: string,
  to: string,
  only: readonly string[] | null,
  places: string[],
): Season['swaps'] {
  const isFree = (of: string) => !swaps.some((each) => each.from === of)
  return swaps.map((swap) => {
    const place = placeOfUse({ alertId: seasonal, variationId: id, partId: swap.to.slice(0, 12) })
    if (swap.to === from && (!only || only.includes(place))) {
      places.push(placeOfUse({ alertId: seasonal, variationId: id, partId: to.slice(0, 12) }))
      return { ...swap, to }
    }
    return swap.from === from && !only && isFree(to) ? { ...swap, from: to } : swap
  })
}

/** The file that a part has in a look: a shared sound takes the place of its own. */
function withShared(part: Part, { sounds }: Pick<Look, 'sounds'>): Part {
  const shared = part.kind === 'sound' && part.role !== null ? sounds[part.role] : null
  return part.kind === 'sound' && shared !== null ? { ...part, mediaId: shared } : part
}

/**
 * A composition with the files that its dress says: shared sounds have the look's, and whoever shows or sounds a file
 * that is swapped has the other.
 */
export function withDress(
  composition: Composition,
  { look, swaps }: { look: Pick<Look, 'sounds'>; swaps: Season['swaps'] },
): Composition {
  const isPlain = swaps.length === 0 && Object.values(look.sounds).every((shared) => shared === null)
  if (isPlain) return composition
  return {
    ...composition,
    parts: composition.parts.map((plain) => {
      const part = withShared(plain, look)
      return swaps.reduce(
        (changed, { from, to }) => (mediaOfPart(part).includes(from) ? withMedia(changed, from, to) : changed),
        part,
      )
    }),
  }
}
