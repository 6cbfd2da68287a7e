import type { BoxDocument, Variation } from '../composition/box.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { dressAt } from '../look/seasons.ts'
import { resolveScore } from '../score/resolve.ts'
import type { SpokenParts } from '../speech/spoken.ts'
import type { ChannelOnAir } from './channelOnAir.ts'

/**
 * A variation settled for an event, as it stands in this version of its box.
 * @param receivedAtMs its look is that of the day on which it came: what waits over midnight, or is shown again, looks as it
 *   was decided
 * @param spoken what its voices have said; without it, they have said nothing yet
 */
export function scoreFor(
  event: CanonicalEvent,
  receivedAtMs: number,
  document: BoxDocument,
  variation: Variation,
  { locale, media, timeZone }: Pick<ChannelOnAir, 'locale' | 'media' | 'timeZone'>,
  spoken: SpokenParts = {},
) {
  const { canvas, zones, alerts } = document
  const { look, swaps } = dressAt(document, receivedAtMs, timeZone)
  const offer = alerts.find(({ variations }) => variations.includes(variation))?.offer ?? null
  return resolveScore(variation.composition, { canvas, look, zones, event, offer, swaps, locale, media, spoken })
}
