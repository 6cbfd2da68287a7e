import type { BoxDocument, Variation } from '../composition/box.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { dressAt } from '../look/seasons.ts'
import type { Result } from '../result.ts'
import { lengthOfScore, resolveScore, type ResolveContext } from '../score/resolve.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import type { SolveError } from '../score/solve.ts'
import type { SpokenParts } from '../speech/spoken.ts'
import type { ChannelOnAir } from './channelOnAir.ts'

/** What a variation is settled with: see `scoreFor`. */
export interface ScoreRequest {
  event: CanonicalEvent
  /** Its look is that of the day on which it came: what waits over midnight, or is shown again, looks as it was decided. */
  receivedAtMs: number
  document: BoxDocument
  variation: Variation
  channel: Pick<ChannelOnAir, 'locale' | 'media' | 'timeZone'>
  /** What its voices have said; without it, they have said nothing yet. */
  spoken?: SpokenParts
}

function contextOf({ event, receivedAtMs, document, variation, channel, spoken = {} }: ScoreRequest): ResolveContext {
  const { canvas, zones, alerts } = document
  const { locale, media, timeZone } = channel
  const { look, swaps } = dressAt(document, receivedAtMs, timeZone)
  const offer = alerts.find(({ variations }) => variations.includes(variation))?.offer ?? null
  return { canvas, look, zones, event, offer, swaps, locale, media, spoken }
}

/** A variation settled for an event, as it stands in this version of its box. */
export const scoreFor = (request: ScoreRequest): Result<ResolvedScore, SolveError> =>
  resolveScore(request.variation.composition, contextOf(request))

/** How long that lasts, without settling it: all that is asked while it waits. */
export const lengthFor = (request: ScoreRequest): Result<number, SolveError> =>
  lengthOfScore(request.variation.composition, contextOf(request))
