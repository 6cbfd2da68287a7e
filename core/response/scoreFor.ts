import type { BoxDocument, Variation } from '../composition/box.ts'
import type { Composition } from '../composition/schema.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { dressAt } from '../look/seasons.ts'
import { readingMs } from '../score/parts/message/readingMs.ts'
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

/** What a length was found with. In a flood one event after another has the same. */
interface KnownLength extends Pick<ResolveContext, 'look' | 'media'> {
  choice: string | undefined
  readMs: number
  length: Result<number, SolveError>
}
const lengths = new WeakMap<Composition, KnownLength>()

/** How long that lasts, without settling it: all that is asked while it waits. */
export function lengthFor(request: ScoreRequest): Result<number, SolveError> {
  const { composition } = request.variation
  const context = contextOf(request)
  const { look, media, swaps = [] } = context
  const { choice, message } = request.event.data
  // All that a length depends on, but for voices and for files of a season.
  const readMs = readingMs(message?.text ?? '')
  const known = lengths.get(composition)
  if (known?.look === look && known.media === media && known.choice === choice && known.readMs === readMs)
    return known.length
  const length = lengthOfScore(composition, context)
  if (swaps.length === 0 && !composition.parts.some(({ kind }) => kind === 'voice'))
    lengths.set(composition, { look, media, choice, readMs, length })
  return length
}
